import { object, string, instant } from '../../fields';
import { logKind, telling } from '../shape';

/** The unit is promised to a hirer. */
export const hireBooked = logKind({
  kind: 'hire-booked',
  on: 'unit',
  who: [],
  facts: object({ reference: string().required(), fromAt: instant.required(), toAt: instant.required() }),
  sentence: ({ reference, fromAt, toAt }, _, { time }) =>
    telling(`Booked: ${reference}`, `${time(fromAt)} to ${time(toAt)}`),
});
