import type { RatingId } from './ratings';

/** What a channel of the workshop's instruments shows: without load and at full load, straight between. */
interface LiveChannel {
  readonly none: number;
  readonly full: number;
  /** Goes with so high a power of the engine's speed. */
  readonly power: number;
  /** What of a fault bears on it. */
  readonly by?: 'output' | 'pressure' | 'flow' | 'cycle';
  readonly digits: number;
  /** Which rated figure it goes with. */
  readonly rating?: RatingId;
}

/** A sound unit of a class, for the stand-in of the load bank. */
export interface SimulatedUnit {
  /** Speed without load, r/min. */
  readonly rpm: number;
  /** Which rated figure that speed goes with. */
  readonly rpmRating?: RatingId;
  readonly channels: Readonly<Record<string, LiveChannel>>;
}

/** What a fault does to a simulated unit: speeds in r/min, the others as shares of the sound value. */
export interface LiveEffect {
  readonly rpm?: number;
  /** It falls by so much more to full load. */
  readonly droop?: number;
  readonly hunts?: number;
  readonly output?: number;
  readonly pressure?: number;
  readonly flow?: number;
  readonly cycle?: number;
  /** Under more load than this it dies. */
  readonly diesAt?: number;
}
