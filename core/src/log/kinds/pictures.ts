import { READING_KINDS } from '../../catalogue/shapes';
import { WORKS_ON_UNITS, id, mixed, number, object, string, trimmed } from '../../fields';
import { changeThing, markThings } from '../../teardown';
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
