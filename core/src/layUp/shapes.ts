import type { LayUpMethodId } from '../catalogue';

/** What the sums know of a unit that may stand. */
export interface Standing {
  readonly tankLitres: number;
  readonly isMetal: boolean;
  readonly hasTap: boolean;
  /** Of what stands in it if nothing is done, as a share. */
  readonly ethanol: number;
  /** While it stands, the chance that it is called at short notice. */
  readonly callOdds: number;
}

/** What the yard pays, cents. */
export interface LayUpPrices {
  readonly perMinute: number;
  /** A fuel repair, all told. */
  readonly repair: number;
  /** A litre of each fuel. */
  readonly litre: Readonly<Record<'e0' | 'alkylate', number>>;
  /** Stabiliser for a litre of fuel. */
  readonly stabiliserPerLitre: number;
}

/** Woken so far: how many, and how many of them wanted a fuel repair. */
export interface Woken {
  readonly tries: number;
  readonly failed: number;
}

/** The yard's own wake-ups, by method, by whether ethanol stood in it, by idle band. */
export type OwnWakes = (method: LayUpMethodId, hasEthanol: boolean, band: number) => Woken;

export interface MethodCost {
  readonly method: LayUpMethodId;
  /** Expected, all told. */
  readonly cents: number;
  readonly fluidsCents: number;
  /** Hands-on, to lay up, meanwhile and to wake. */
  readonly minutes: number;
  /** That it wants a fuel repair when it is woken. */
  readonly risk: number;
  readonly litres: number;
}
