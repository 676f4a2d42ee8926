import { LAY_UP_METHOD_IDS, LAY_UP_METHODS, type LayUpMethodId } from '../../catalogue';
import { SIGNS_OFF, object, string, text } from '../../fields';
import { logKind, telling } from '../shape';

/** A unit is laid up, by a method; what the method does to its fuel is so from then on. */
export const laidUp = logKind({
  kind: 'laid-up',
  on: 'unit',
  who: SIGNS_OFF,
  facts: object({
    method: string<LayUpMethodId>().oneOf(LAY_UP_METHOD_IDS).required(),
    note: text.default(''),
  }),
  sentence: ({ method, note }) => telling('Laid up', LAY_UP_METHODS[method].name, note),
});
