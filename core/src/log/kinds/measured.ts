import { WORKS_ON_UNITS, number, object, string, trimmed } from '../../fields';
import { logKind, telling } from '../shape';

const end = number().min(-1e6).max(1e6).nullable().defined();
/** A measure as a person reads it: "0.6 in". */
const written = (value: number, unit: string): string => `${Number(value.toPrecision(6))} ${unit}`;

/** Any measure by the name that a person gives it, with the limits it was held against: a stem, a shim, a sheave, a drip rate. */
export const measured = logKind({
  kind: 'measured',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({
    name: trimmed.min(1).max(120).required(),
    place: trimmed.max(120).defined(),
    value: number().min(-1e6).max(1e6).required(),
    unit: string().min(1).max(12).required(),
    from: end,
    to: end,
  }).test('ascends', 'The end must be above the start.', ({ from, to }) => from == null || to == null || to > from),
  card: {
    change: (card, { id, facts, at, by }) => ({ ...card, measures: [...card.measures, { id, facts, at, by }] }),
    visitState: (state) => (state === 'waiting' ? 'open' : state),
  },
  sentence: ({ name, place, value, unit, from, to }) =>
    telling(
      `Measured: ${name}${place === '' ? '' : ` (${place})`} ${written(value, unit)}`,
      from !== null && value < from && `Under ${written(from, unit)}`,
      to !== null && value > to && `Over ${written(to, unit)}`,
    ),
});
