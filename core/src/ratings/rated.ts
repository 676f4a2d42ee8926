import {
  type Check,
  JUDGEMENT,
  own,
  type Limit,
  type MachineClass,
  type ProofPlan,
  type ProofReading,
  type Rated,
  type RatingId,
  type Source,
  type Threshold,
} from '../catalogue/shapes';

export const INVERTER_STRAYS: Threshold = {
  name: 'What a figure that an inverter holds may stray',
  value: 0.01,
  unit: 'of rated',
  source: JUDGEMENT,
};

/**
 * What a unit is rated for: one look-up for check-in, proof, finding and card. Its own figure, else its model's, else its class's.
 * In: rated figures of the class, the model and the unit, each as far as it is known. Example: a class of 60 Hz with a model of 50: 50.
 */
export function ratedOf(ofClass: Rated, ofModel: Rated = {}, ofUnit: Rated = {}): Rated {
  const own = { ...known(ofModel), ...known(ofUnit) };
  return { ...ofClass, ...pressureByForce(own), ...own };
}

/** The pressure at which a ram of this bore gives its force, bar: 10 N/mm² are 100 bar. Example: 200 kN on 110 mm: 210.5. */
function pressureByForce({ force, bore }: Rated): Rated {
  return force === undefined || bore === undefined
    ? {}
    : { pressure: (force * 1000 * 10) / ((Math.PI / 4) * bore ** 2) };
}

const known = (rated: Rated): Rated =>
  Object.fromEntries(Object.entries(rated).filter(([, figure]) => figure !== undefined && figure !== null));

/** How much what goes with this rating moves from a usual unit of the class to this one: 1 where the figure is the class's own or not known. */
export function moved(rating: RatingId | undefined, ofClass: Rated, rated: Rated): number {
  const [from, to] = rating === undefined ? [] : [ofClass[rating], rated[rating]];
  return from === undefined || to === undefined ? 1 : to / from;
}

const isHeldByInverter = (rating: RatingId | undefined, rated: Rated): boolean =>
  rating === 'hertz' && rated.governor === 'inverter';

/**
 * A class's proof for a unit with these ratings: each limit and scale moves with the figure that it is held against; an inverter holds its
 * hertz at every load. In: the class's plan and ratings, the unit's. Example: volts from 114 to 126 at 120 rated are 218.5 to 241.5 at 230.
 */
export function planFor(plan: ProofPlan, ofClass: Rated, rated: Rated): ProofPlan {
  return { ...plan, readings: plan.readings.map((reading) => readingFor(reading, ofClass, rated)) };
}

function readingFor(reading: ProofReading, ofClass: Rated, rated: Rated): ProofReading {
  const by = moved(reading.rating, ofClass, rated);
  const scale = [reading.scale[0] * by, reading.scale[1] * by] as const;
  const figure = reading.rating === undefined ? undefined : rated[reading.rating];
  if (isHeldByInverter(reading.rating, rated) && figure !== undefined)
    return {
      ...reading,
      scale,
      source: sourceFor(reading.source, by),
      least: figure * (1 - INVERTER_STRAYS.value),
      most: figure * (1 + INVERTER_STRAYS.value),
    };
  return {
    ...reading,
    scale,
    source: sourceFor(reading.source, by),
    ...(reading.least === undefined ? {} : { least: reading.least * by }),
    ...(reading.most === undefined ? {} : { most: reading.most * by }),
  };
}

/**
 * A class as a unit with these ratings is looked at: what its checks measure is held against its own figures; checks for what it has not got
 * are left out.
 */
export function classFor(
  machineClass: MachineClass,
  ofClass: Rated,
  rated: Rated,
  notFitted: readonly string[] = [],
): MachineClass {
  const [first, ...rest] = machineClass.stations.map((station) => ({
    ...station,
    checks: station.checks
      .filter((check) => !notFitted.includes(check.id))
      .map((check) => measuredFor(check, ofClass, rated)),
  }));
  return first === undefined ? machineClass : { ...machineClass, stations: [first, ...rest] };
}

/** The same for what a check measures. */
export function measuredFor(check: Check, ofClass: Rated, rated: Rated): Check {
  const { measured } = check;
  if (measured === undefined) return check;
  const by = moved(measured.rating, ofClass, rated);
  const figure = measured.rating === undefined ? undefined : rated[measured.rating];
  const scale = [measured.scale[0] * by, measured.scale[1] * by] as const;
  const limit: Limit =
    isHeldByInverter(measured.rating, rated) && figure !== undefined
      ? {
          kind: 'within',
          min: figure * (1 - INVERTER_STRAYS.value),
          max: figure * (1 + INVERTER_STRAYS.value),
          source: sourceFor(measured.limit.source, by),
        }
      : movedLimit({ ...measured.limit, source: sourceFor(measured.limit.source, by) }, by);
  return { ...check, measured: { ...measured, scale, limit } };
}

/** A limit that goes by another figure than its class's comes from where that figure stands. */
const sourceFor = (source: Source, by: number): Source => (by === 1 ? source : own('plate or sheet'));

function movedLimit(limit: Limit, by: number): Limit {
  if (limit.kind === 'at-least') return { ...limit, min: limit.min * by };
  if (limit.kind === 'at-most') return { ...limit, max: limit.max * by };
  return { ...limit, min: limit.min * by, max: limit.max * by };
}
