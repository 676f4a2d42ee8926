import { WAY_IDS, WAYS } from '../../catalogue/workshop';
import { SIGNS_OFF, mixed, object, string, text } from '../../fields';
import { logKind, telling } from '../shape';

/** What is to be done with it, with the figures that were seen. */
export const decided = logKind({
  kind: 'decided',
  on: 'job',
  who: SIGNS_OFF,
  facts: object({
    way: string().oneOf(WAY_IDS).required(),
    why: text.defined(),
    figures: mixed<Readonly<Record<string, unknown>>>().required(),
  }),
  card: {
    change: (card, entry) => ({ ...card, decision: entry }),
    visitState: (state) => (state === 'waits-decision' || state === 'waiting' ? 'open' : state),
  },
  sentence: ({ way, ...facts }) => telling(`Decided: ${WAYS[way].toLowerCase()}`, facts.why),
});
