import { WORKS_ON_UNITS, object, string } from '../../fields';
import { logKind, telling } from '../shape';
import { OBSERVATION_IDS } from '../../catalogue';
import { observationName } from '../observed';

/** What a check showed counts no more. */
export const takenBack = logKind({
  kind: 'taken-back',
  on: 'finding',
  who: WORKS_ON_UNITS,
  facts: object({ observation: string().oneOf(OBSERVATION_IDS).required() }),
  finding: ({ observation }) => ({ kind: 'taken-back', observation }),
  sentence: ({ observation }) => telling(`Taken back: ${observationName(observation).toLowerCase()}`),
});
