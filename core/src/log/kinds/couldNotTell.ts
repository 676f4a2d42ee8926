import { WORKS_ON_UNITS, object, string } from '../../fields';
import { logKind, telling } from '../shape';
import { OBSERVATION_IDS } from '../../catalogue';
import { observationName } from '../observed';

/** A check was made and told nothing. */
export const couldNotTell = logKind({
  kind: 'could-not-tell',
  on: 'finding',
  who: WORKS_ON_UNITS,
  facts: object({ observation: string().oneOf(OBSERVATION_IDS).required() }),
  finding: ({ observation }) => ({ kind: 'could-not-tell', observation }),
  sentence: ({ observation }) => telling(`${observationName(observation)}: could not tell`),
});
