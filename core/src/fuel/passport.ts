import { FUELS, JUDGEMENT, type FuelId, type Threshold } from '../catalogue';
import { EMPTY, litresOf, pour, take, type Blend } from './blend';

/** Something that happened to the fuel of a unit. Times in ms. */
export type FuelEvent =
  | {
      /** So much of the tank is full. */
      readonly what: 'level';
      readonly at: number;
      readonly share: number;
    }
  | {
      /** It ran, and burnt about so much: what the gauge shows after it was partly poured in meanwhile. */
      readonly what: 'ran';
      readonly at: number;
      readonly litres: number;
    }
  | {
      readonly what: 'poured';
      readonly at: number;
      readonly litres: number;
      readonly fuel: FuelId;
      /** When it was bought; null: nobody knows. */
      readonly boughtAt: number | null;
      readonly isTreated: boolean;
    }
  | { readonly what: 'treated'; readonly at: number }
  | {
      readonly what: 'drained';
      readonly at: number;
      /** Null: all. */
      readonly litres: number | null;
    }
  | { readonly what: 'line'; readonly at: number; readonly bowl: Bowl; readonly isTapShut: boolean | null };

/** What is in the bowl: fuel, what stays below the jet after running dry, or nothing. */
export type Bowl = 'wet' | 'run-dry' | 'drained';

export interface Passport {
  readonly blend: Blend;
  readonly bowl: Bowl;
  readonly isTapShut: boolean | null;
  /** When the level was last seen, or the tank was emptied: from then on it is reckoned by what was poured, burnt and drained. Null: never, ms. */
  readonly seenAt: number | null;
  /** It ran since: what that burnt is reckoned by its class's use. */
  readonly ranSince: boolean;
  /** Poured in, burnt and drained since it is known, litres: what is in the tank is what came less what went. */
  readonly poured: number;
  readonly burnt: number;
  readonly drained: number;
  /** More was said to be poured in than the tank holds, litres in all. */
  readonly overflowed: number;
}

export const READ_ALIKE: Threshold = {
  name: 'So much difference of a fuel level is how one reads a gauge',
  value: 0.03,
  unit: 'of the tank',
  source: JUDGEMENT,
};

/**
 * The fuel of a unit by all that happened to it, in whatever order it was entered; of what happened at one moment
 * what is given first came first. In: events, what its tank holds (litres, above 0), what the
 * yard takes unknown fuel for. Out: what is in it now and where. A level under what was there: so much was burnt, in proportion; one over it: so
 * much unknown pump fuel was poured in. What does not fit into the tank ran over, and is counted.
 * Source: mass balance. Example: 4 l poured into a tank of 8 l, read a quarter full: 2 l burnt.
 */
export function passportOf(events: readonly FuelEvent[], tankLitres: number, unknownFuel: FuelId): Passport {
  const start: Passport = {
    ...{ blend: EMPTY, bowl: 'wet', isTapShut: null, seenAt: null, ranSince: false },
    ...{ poured: 0, burnt: 0, drained: 0, overflowed: 0 },
  };
  return [...events]
    .sort((a, b) => a.at - b.at)
    .reduce((passport, event) => next(passport, event, tankLitres, unknownFuel), start);
}

function next(passport: Passport, event: FuelEvent, tankLitres: number, unknownFuel: FuelId): Passport {
  const { blend } = passport;
  switch (event.what) {
    case 'poured':
      return pouredIn(passport, portionOf(event), tankLitres);
    case 'treated':
      // Fresh portions keep longer; what has gone stale does not come back.
      return { ...passport, blend: blend.map((portion) => treated(portion, event.at)) };
    case 'ran': {
      const { left, taken } = take(blend, event.litres);
      return {
        ...passport,
        blend: left,
        burnt: passport.burnt + litresOf(taken),
        ranSince: passport.ranSince || event.litres > 0,
      };
    }
    case 'drained': {
      const { left, taken } = take(blend, event.litres ?? Infinity);
      // Empty is as good as seen.
      const seen = event.litres === null ? { seenAt: event.at, ranSince: false } : {};
      return { ...passport, ...seen, blend: left, drained: passport.drained + litresOf(taken) };
    }
    case 'line':
      return { ...passport, bowl: event.bowl, isTapShut: event.isTapShut };
    case 'level':
      return { ...readLevel(passport, event, tankLitres, unknownFuel), seenAt: event.at, ranSince: false };
  }
}

type Poured = Extract<FuelEvent, { what: 'poured' }>;

function portionOf({ litres, fuel, boughtAt, isTreated, at }: Poured) {
  const { ethanol, keepsDays, treatedDays } = FUELS[fuel];
  return {
    ...{ litres, ethanol, boughtAt: Math.min(boughtAt ?? at, at), isUnknown: boughtAt === null },
    keepsDays: isTreated ? treatedDays : keepsDays,
  };
}

function pouredIn(passport: Passport, portion: Blend[number], tankLitres: number): Passport {
  const room = Math.max(tankLitres - litresOf(passport.blend), 0);
  const litres = Math.min(Math.max(portion.litres, 0), room);
  return {
    ...passport,
    blend: pour(passport.blend, { ...portion, litres }),
    bowl: 'wet',
    poured: passport.poured + litres,
    overflowed: passport.overflowed + Math.max(portion.litres, 0) - litres,
  };
}

function readLevel(
  passport: Passport,
  { at, share }: Extract<FuelEvent, { what: 'level' }>,
  tankLitres: number,
  unknownFuel: FuelId,
): Passport {
  const now = litresOf(passport.blend);
  const read = Math.min(Math.max(share, 0), 1) * tankLitres;
  if (Math.abs(read - now) <= READ_ALIKE.value * tankLitres && read > 0) return passport;
  if (read > now) {
    const unknown = portionOf({
      what: 'poured',
      at,
      litres: read - now,
      fuel: unknownFuel,
      boughtAt: null,
      isTreated: false,
    });
    return pouredIn(passport, unknown, tankLitres);
  }
  const { left, taken } = take(passport.blend, now - read);
  return { ...passport, blend: left, burnt: passport.burnt + litresOf(taken) };
}

const DAY_MS = 86_400_000;

/** Stabiliser stretches the days that are left in proportion: of a fresh portion all of them, of a stale one none. */
function treated(portion: Blend[number], at: number): Blend[number] {
  const { keepsDays, boughtAt } = portion;
  const longest = Object.values(FUELS).find((fuel) => fuel.keepsDays === keepsDays)?.treatedDays ?? keepsDays;
  const spent = (at - boughtAt) / DAY_MS / keepsDays;
  if (spent >= 1 || longest <= keepsDays) return portion;
  // The same share is spent as before, and the rest goes by more slowly.
  return { ...portion, keepsDays: longest, boughtAt: at - spent * longest * DAY_MS };
}
