import { object, string, hours } from '../../fields';
import { logKind, telling } from '../shape';

/** A unit new to the yard. */
export const unitAdded = logKind({
  kind: 'unit-added',
  on: 'unit',
  who: [],
  facts: object({ serial: string().required(), reading: hours.required() }),
  sentence: (_, { trueHours }: { readonly trueHours: number }, wording) =>
    telling('Came to the yard', wording.hours(trueHours)),
});
