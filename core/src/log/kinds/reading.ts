import { WORKS_ON_UNITS, mixed, object, string } from '../../fields';
import { READING_KINDS } from '../../catalogue/shapes';
import { idOrNone } from '../schemas';
import { logKind, telling } from '../shape';

const NUMBERS = ['value', 'supply', 'cylinder', 'intake', 'exhaust', 'unit'];
const numbersOf = (given: Readonly<Record<string, unknown>>): string =>
  Object.entries(given)
    .flatMap(([name, value]) => (NUMBERS.includes(name) ? [String(value)] : []))
    .join(' ');

/** A reading taken before or after the work, with its unit as it was entered. */
export const reading = logKind({
  kind: 'reading',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({
    reading: string().oneOf(READING_KINDS).required(),
    given: mixed<Readonly<Record<string, unknown>>>().required(),
    outcome: string().max(40).required(),
    when: string().oneOf(['before', 'after']).required(),
    stepId: idOrNone,
  }),
  card: { change: (card, { facts, at, by }) => ({ ...card, readings: [...card.readings, { ...facts, at, by }] }) },
  sentence: ({ reading, when, given, outcome }) =>
    telling(`${reading.replaceAll('-', ' ')} ${when}: ${numbersOf(given)}`, outcome.replaceAll('-', ' ')),
});
