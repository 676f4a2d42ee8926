import { OBSERVATION_IDS } from '../../catalogue';
import {
  SIGNS_OFF,
  WORKS_ON_UNITS,
  array,
  boolean,
  machine,
  mixed,
  object,
  string,
  text,
  reasonText,
} from '../../fields';
import { faultName, observationName, outcomeName, outcomesFit, readingLine } from '../observed';
import { faultId, key } from '../schemas';
import { logKind, telling } from '../shape';

/** Somebody begins to find a fault: what is looked at, as far as it is known. The id of the entry is the finding's. */
export const findingOpened = logKind({
  kind: 'finding-opened',
  on: 'unit',
  who: WORKS_ON_UNITS,
  facts: object({ machine }),
  sentence: () => telling('Started to find the fault'),
});

/** More is known of the engine and its past. */
export const machineDescribed = logKind({
  kind: 'machine-described',
  on: 'finding',
  who: WORKS_ON_UNITS,
  facts: object({ machine }),
  finding: () => ({ kind: 'nothing' }),
  sentence: () => telling('Engine and past described'),
});

/** What a check showed, with the reading behind it where there was one. */
export const seen = logKind({
  kind: 'seen',
  on: 'finding',
  who: WORKS_ON_UNITS,
  facts: object({
    observation: string().oneOf(OBSERVATION_IDS).required(),
    outcomes: array(key.required())
      .min(1)
      .max(6)
      .required()
      .test('outcomes', 'An outcome that this check does not have.', (outcomes, { parent }) =>
        outcomesFit(parent.observation, outcomes),
      ),
    reading: mixed<Readonly<Record<string, unknown>>>().nullable().defined(),
  }),
  finding: ({ observation, outcomes }) => ({ kind: 'seen', observation, outcomes }),
  sentence: ({ observation, outcomes, reading }) =>
    telling(
      `${observationName(observation)}: ${outcomes
        .map((outcome) => outcomeName(observation, outcome))
        .join(' and ')
        .toLowerCase()}`,
      readingLine(reading),
    ),
});

/** A check was made and told nothing. */
export const couldNotTell = logKind({
  kind: 'could-not-tell',
  on: 'finding',
  who: WORKS_ON_UNITS,
  facts: object({ observation: string().oneOf(OBSERVATION_IDS).required() }),
  finding: ({ observation }) => ({ kind: 'could-not-tell', observation }),
  sentence: ({ observation }) => telling(`${observationName(observation)}: could not tell`),
});

/** What a check showed counts no more. */
export const takenBack = logKind({
  kind: 'taken-back',
  on: 'finding',
  who: WORKS_ON_UNITS,
  facts: object({ observation: string().oneOf(OBSERVATION_IDS).required() }),
  finding: ({ observation }) => ({ kind: 'taken-back', observation }),
  sentence: ({ observation }) => telling(`Taken back: ${observationName(observation).toLowerCase()}`),
});

/** Something was put right and did not cure it. */
export const repaired = logKind({
  kind: 'repaired',
  on: 'finding',
  who: WORKS_ON_UNITS,
  facts: object({ fault: faultId.required() }),
  finding: ({ fault }) => ({ kind: 'repaired', fault }),
  sentence: ({ fault }) => telling(`Repaired, but the trouble was still there: ${faultName(fault).toLowerCase()}`),
});

/** Somebody who signs says that a fault is there without a look, and how that is known; or says it no more. */
export const saidSo = logKind({
  kind: 'said-so',
  on: 'finding',
  who: SIGNS_OFF,
  facts: object({
    fault: faultId.required(),
    so: boolean().required(),
    why: reasonText.required(),
  }),
  finding: ({ fault, so }) => ({ kind: 'said', fault, so }),
  sentence: ({ fault, so, why }) =>
    telling(`${so ? 'Known to be so' : 'Not said any more'}: ${faultName(fault).toLowerCase()}`, why),
});

const isIdsByName = (value: unknown): boolean =>
  typeof value === 'object' &&
  value !== null &&
  Object.values(value).every((ids: unknown) => Array.isArray(ids) && ids.every((one) => typeof one === 'string'));

/** What was wrong is confirmed: the finding is closed onto its job. */
export const causesConfirmed = logKind({
  kind: 'causes-confirmed',
  on: 'finding',
  who: SIGNS_OFF,
  facts: object({
    causes: array(faultId.required())
      .min(1)
      .max(8)
      .required()
      .test('twice', 'The same cause twice.', (causes) => new Set(causes).size === causes.length),
    note: text.defined(),
    /** Which of what was told each explains, where a person says it otherwise than proposed: ids of told defects by cause. */
    explains: mixed<Readonly<Record<string, readonly string[]>>>()
      .test('explains', 'Ids by cause.', (value) => value === undefined || isIdsByName(value))
      .optional(),
  }),
  finding: () => ({ kind: 'nothing' }),
  sentence: ({ causes, note }) => telling(`Found: ${causes.map(faultName).join('; ').toLowerCase()}`, note),
});
