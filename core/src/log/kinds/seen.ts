import { WORKS_ON_UNITS, array, mixed, object, string } from '../../fields';
import { logKind, telling } from '../shape';
import { OBSERVATION_IDS } from '../../catalogue';
import { observationName, outcomeName, outcomesFit, readingLine } from '../observed';

/** What a check showed, with the reading behind it where there was one. */
export const seen = logKind({
  kind: 'seen',
  on: 'finding',
  who: WORKS_ON_UNITS,
  facts: object({
    observation: string().oneOf(OBSERVATION_IDS).required(),
    outcomes: array(string().required())
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
