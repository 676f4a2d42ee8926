import { WORKS_ON_UNITS, object, id } from '../../fields';
import { changeThing } from '../../teardown';
import { idOrNone, marks } from '../schemas';
import { logKind, telling } from '../shape';

/** A photo on the card, of a step or of a thing that came off. */
export const photo = logKind({
  kind: 'photo',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ photoId: id.required(), marks, stepId: idOrNone, thingId: idOrNone }),
  card: {
    change: (card, { facts, at, by }) => ({
      ...card,
      photos: [...card.photos, { ...facts, at, by }],
      ledger:
        facts.thingId === null
          ? card.ledger
          : changeThing(card.ledger, facts.thingId, (thing) => ({
              ...thing,
              photos: [...thing.photos, { photoId: facts.photoId, marks: facts.marks }],
            })),
    }),
    visitState: (state) => (state === 'waiting' ? 'open' : state),
  },
  sentence: () => telling('Photo taken'),
});
