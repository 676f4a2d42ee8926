import { CAUTIONS } from './cautions';
import { CLASS_FOLDERS } from './classes';
import { COMPLAINTS, ENDED } from './complaints';
import { FAULT_KNOWLEDGE } from './diagnosis';
import { FAULTS } from './faults';
import { DERIVED_FINDINGS } from './findings';
import { READING_LIMITS } from './limits';
import { OBSERVATIONS, SET_UPS, TOOLS } from './observations';
import { CLOCKS, PROOF_LOOKS, RISKS, STATES_FOUND, STEPS_OF_KIND, STEPS_OF_WORK, TEARDOWNS } from './workshop';

/** A short name of a text's content: the same text, the same name. Handed in, since core has none of its own. */
export type Fingerprint = (text: string) => string;

const HEAD = '// Made from the catalogue by `npm run ids`. Do not edit: change the catalogue and run it again.\n\n';

/** With its keys in order, so that moving entries about is no change of content. */
function inOrder(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(inOrder);
  if (typeof value !== 'object' || value === null) return value;
  const entries = Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1));
  return Object.fromEntries(entries.map(([key, entry]) => [key, inOrder(entry)]));
}

/** What a kept inspection, card or finding was judged by: a name of the content, so that it cannot be forgotten to be raised. */
function editionsOf(fingerprint: Fingerprint): Record<string, string> {
  const of = (...content: unknown[]): string => fingerprint(JSON.stringify(inOrder(content))).slice(0, 10);
  return {
    rules: of(
      CLASS_FOLDERS.map((folder) => folder.machineClass),
      COMPLAINTS,
      ENDED,
      DERIVED_FINDINGS,
    ),
    card: of(
      CLASS_FOLDERS.map((folder) => folder.proof),
      PROOF_LOOKS.everyRun,
      STEPS_OF_KIND,
      STEPS_OF_WORK,
      TEARDOWNS,
      CLOCKS,
    ),
    knowledge: of(FAULT_KNOWLEDGE, READING_LIMITS),
  };
}

const list = (name: string, ids: readonly string[]): string =>
  `export const ${name} = ${JSON.stringify(ids)} as const;\n`;

/**
 * The text of `ids.ts`: the ids and editions of the catalogue by themselves, for whoever needs no more of it (contracts, the first screen).
 * In: what makes a fingerprint of a text. Out: TypeScript, to be formatted. A test holds the file against it.
 */
export function idsFile(fingerprint: Fingerprint): string {
  const outcomes = Object.entries(OBSERVATIONS).map(([id, entry]) => [id, Object.keys(entry.outcomes)]);
  const readings = CLASS_FOLDERS.flatMap((folder) => folder.proof.readings.map((reading) => reading.id));
  return [
    HEAD,
    list(
      'CLASS_IDS',
      CLASS_FOLDERS.map((folder) => folder.machineClass.id),
    ),
    list('FAULT_IDS', Object.keys(FAULTS)),
    '/** By observation, its outcomes; the healthy one first. */\n',
    `export const OUTCOMES = ${JSON.stringify(Object.fromEntries(outcomes))} as const;\n`,
    list('SET_UP_IDS', Object.keys(SET_UPS)),
    list('TOOL_IDS', Object.keys(TOOLS)),
    list('CAUTION_IDS', Object.keys(CAUTIONS)),
    list('CLOCK_IDS', Object.keys(CLOCKS)),
    list('TEARDOWN_IDS', Object.keys(TEARDOWNS)),
    list('PROOF_READING_IDS', [...new Set(readings)]),
    list('RISK_IDS', Object.keys(RISKS)),
    list('STATE_FOUND_IDS', Object.keys(STATES_FOUND)),
    '/** What a kept check-in, card or finding was judged by: fingerprints of the content. */\n',
    `export const EDITIONS = ${JSON.stringify(editionsOf(fingerprint))} as const;\n`,
  ].join('');
}

/** The text of `classTags.ts`: of each class what its hang tags show. */
export function classTagsFile(): string {
  const tags = CLASS_FOLDERS.map(({ machineClass: { id, name, plural, letters }, drawing }) => [
    id,
    { name, plural, letters, drawing },
  ]);
  return [
    "import type { ClassId, Drawing } from './shapes';\n\n",
    HEAD,
    'interface ClassTag { readonly name: string; readonly plural: string; readonly letters: string; readonly drawing: Drawing }\n\n',
    `export const CLASS_TAGS: Readonly<Record<ClassId, ClassTag>> = ${JSON.stringify(Object.fromEntries(tags))};\n`,
  ].join('');
}
