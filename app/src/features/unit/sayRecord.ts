import type { HistoryRecord } from '@hudrik/core/contracts';
import { READINESS_WORD, type ReadinessName } from '@/design';
import { SAY_CARD } from './sayCardRecord';
import { sayFuel, sayHours, sayTime } from '@/features/fleet';

interface Said {
  readonly title: string;
  readonly lines: readonly string[];
}

type Facts = Readonly<Record<string, unknown>>;
const text = (facts: Facts, name: string): string => String(facts[name] ?? '');
const list = (facts: Facts, name: string): string[] => (Array.isArray(facts[name]) ? (facts[name] as string[]) : []);
const hours = (facts: Facts): string =>
  `${sayHours(Number(facts['trueHours']))}${facts['hoursRun'] ? `, ${sayHours(Number(facts['hoursRun']))} on this hire` : ''}`;

/** Each kind of record in words. */
const SAY: Readonly<Record<string, (facts: Facts) => Said>> = {
  'check-in': (facts) => ({
    title: `Checked in: ${READINESS_WORD[text(facts, 'result') as ReadinessName]}${facts['secondLookOf'] ? ' (second look)' : ''}`,
    lines: [
      `${hours(facts)}; fuel ${sayFuel(Number(facts['fuelEighths']))}.`,
      ...(facts['meterEvent']
        ? [
            (facts['meterEvent'] as { kind: string }).kind === 'replaced'
              ? 'The hour meter was replaced.'
              : 'The hour meter rolled over.',
          ]
        : []),
      ...list(facts, 'reasons'),
      ...(
        (facts['readings'] as { check: string; title?: string; value: number; unit: string }[] | undefined) ?? []
      ).map((reading) => `${reading.title ?? reading.check}: ${reading.value} ${reading.unit}`),
      ...(list(facts, 'hurried').length > 0
        ? [`Passed faster than it can be looked at: ${list(facts, 'hurried').join(', ')}.`]
        : []),
      ...(facts['remarks'] ? [`“${text(facts, 'remarks')}”`] : []),
    ],
  }),
  'check-out': (facts) => ({
    title: `Handed out on ${text(facts, 'reference')}`,
    lines: [
      `${hours(facts)}; fuel ${sayFuel(Number(facts['fuelEighths']))}; due ${sayTime(text(facts, 'dueAt'))}.`,
      ...(facts['waiverReason'] ? [`Prep waived: ${text(facts, 'waiverReason')}`] : []),
    ],
  }),
  'hire-booked': (facts) => ({
    title: `Booked: ${text(facts, 'reference')}`,
    lines: [`${sayTime(text(facts, 'fromAt'))} to ${sayTime(text(facts, 'toAt'))}`],
  }),
  'hire-back': (facts) => ({ title: `Back on the yard from ${text(facts, 'reference')}`, lines: [] }),
  'hire-cancelled': (facts) => ({ title: `Hire ${text(facts, 'reference')} cancelled`, lines: [] }),
  'job-raised': (facts) => ({ title: `Job raised: ${text(facts, 'title')}`, lines: [] }),
  'job-started': (facts) => ({ title: `Taken to the bench: ${text(facts, 'title')}`, lines: [] }),
  'job-done': (facts) => ({
    title: `Done: ${text(facts, 'title')}`,
    lines: [...sayProof(facts['proof']), ...(facts['note'] ? [text(facts, 'note')] : [])],
  }),
  'job-dropped': (facts) => ({ title: `Dropped: ${text(facts, 'title')}`, lines: [text(facts, 'why')] }),
  'reading-corrected': (facts) => ({
    title: `Reading corrected: ${text(facts, 'from')} to ${text(facts, 'reading')}`,
    lines: [text(facts, 'why')],
  }),
  'unit-added': (facts) => ({ title: 'Came to the yard', lines: [sayHours(Number(facts['trueHours']))] }),
  'unit-changed': (facts) => ({ title: sayChange(facts), lines: [] }),
  'finding-opened': () => ({ title: 'Began to find the fault', lines: [] }),
  'finding-seen': (facts) => ({
    title: `${text(facts, 'title')}: ${list(facts, 'outcomes').join(' and ').toLowerCase()}`,
    lines: sayReading(facts['reading']),
  }),
  'finding-could-not-tell': (facts) => ({ title: `${text(facts, 'title')}: could not tell`, lines: [] }),
  'finding-taken-back': (facts) => ({ title: `Taken back: ${text(facts, 'title').toLowerCase()}`, lines: [] }),
  'finding-repaired': (facts) => ({
    title: `Put right, and the trouble was still there: ${text(facts, 'fault').replaceAll('-', ' ')}`,
    lines: [],
  }),
  'finding-closed': (facts) => ({
    title: `Found: ${list(facts, 'causes').join('; ').toLowerCase()}`,
    lines: facts['note'] ? [text(facts, 'note')] : [],
  }),
  ...SAY_CARD,
  note: (facts) => ({ title: 'Note', lines: [text(facts, 'text')] }),
};

function sayReading(reading: unknown): string[] {
  if (reading === null || typeof reading !== 'object') return [];
  const { unit, method, ...values } = reading as Record<string, unknown>;
  return [`${Object.values(values).join(' / ')} ${String(unit ?? '')}${method ? `, by ${String(method)}` : ''}`];
}

function sayProof(proof: unknown): string[] {
  const run = proof as
    | {
        minutesUnderLoad?: number;
        minutesRun?: number;
        load: string | null;
        readings?: { title: string; value: number; unit: string }[];
      }
    | null
    | undefined;
  if (!run) return [];
  return [
    `Proved: ${run.minutesRun ?? run.minutesUnderLoad} min under load${run.minutesUnderLoad === undefined || !run.load ? '' : `. ${run.load}`}.`,
    ...(run.readings ?? []).map((reading) => `${reading.title}: ${reading.value} ${reading.unit}`),
  ];
}

function sayChange(facts: Facts): string {
  if (facts['laidUp'] === true) return 'Laid up';
  if (facts['laidUp'] === false) return 'Woken up';
  if (facts['gone']) return `Gone: ${(facts['gone'] as { why: string }).why}`;
  if (facts['gone'] === null) return 'Back on the yard';
  return `Changed: ${Object.entries(facts)
    .map(([name, value]) => `${name} ${String(value)}`)
    .join(', ')}`;
}

export const sayRecord = (record: Pick<HistoryRecord, 'kind' | 'facts'>): Said =>
  SAY[record.kind]?.(record.facts as Facts) ?? { title: record.kind, lines: [] };
