import { WORKS_ON_UNITS, object, id } from '../../fields';
import { markThings } from '../../teardown';
import { marks } from '../schemas';
import { logKind, telling } from '../shape';

/** The marks on a photo are drawn anew: the last ones stand. */
export const photoMarked = logKind({
  kind: 'photo-marked',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ photoId: id.required(), marks }),
  card: {
    change: (card, { facts }) => ({
      ...card,
      photos: card.photos.map((photo) => (photo.photoId === facts.photoId ? { ...photo, marks: facts.marks } : photo)),
      ledger: markThings(card.ledger, facts.photoId, facts.marks),
    }),
  },
  sentence: () => telling('Photo marked'),
});
