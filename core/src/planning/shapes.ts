/** Minutes since the moment that is planned from. */
export type Minute = number;
/** A stretch of time, its end not part of it. */
export type Stretch = readonly [from: Minute, to: Minute];

/** A piece of a visit's work: somebody's hands, or a wait that runs by itself (a soak, a bath, a charge). */
export interface Phase {
  readonly id: string;
  readonly hands: boolean;
  /** What it takes as a rule, 0 or more. */
  readonly minutes: number;
  /** Standard deviation of the logarithm of its minutes. */
  readonly spread: number;
  /** A wait for something that comes from outside, a part: nobody begins it. */
  readonly isFromOutside?: boolean;
}

/** Where a visit stood in the plan that people saw. */
export interface SeenPlace {
  readonly who: string;
  readonly from: Minute;
}

/** A visit as it is planned: a chain of phases, done by one person, each after the one before. */
export interface PlanVisit {
  readonly id: string;
  readonly phases: readonly Phase[];
  /** Not before: the unit is back, its part has come. */
  readonly releaseAt: Minute;
  /** When it is wanted: its next hire. */
  readonly dueAt: Minute | null;
  readonly centsPerMinuteLate: number;
  /** What each minute costs until it is fit. */
  readonly centsPerMinuteWaiting: number;
  /** Who may do it; one where it is given to somebody, or somebody began it. */
  readonly who: readonly string[];
  /** Somebody has hands on it: it goes on first. */
  readonly inHand: boolean;
  /** Somebody set when it is begun. */
  readonly pinnedAt: Minute | null;
  /** When the unit is out with a hirer: no phase lies in it, and a visit that was begun is done before. */
  readonly away: readonly Stretch[];
  readonly seen: SeenPlace | null;
}

export interface Technician {
  readonly id: string;
  /** When he or she works, in whole minutes, in order, none over another. */
  readonly shifts: readonly Stretch[];
  /** So many units stand open on the bench at a time, 1 or more. */
  readonly places: number;
}

export interface BenchAsked {
  readonly visits: readonly PlanVisit[];
  readonly technicians: readonly Technician[];
  /** The price of moving a visit that people saw in its place, cents. */
  readonly centsPerMove: number;
}

export interface PlannedPhase {
  readonly visitId: string;
  readonly phaseId: string;
  /** Nobody: it runs by itself. */
  readonly who: string | null;
  readonly from: Minute;
  readonly to: Minute;
}

export interface PlannedVisit {
  readonly id: string;
  /** Nobody, where no hands are wanted any more. */
  readonly who: string | null;
  readonly from: Minute;
  readonly to: Minute;
  readonly lateMinutes: number;
  readonly cents: number;
}

export interface BenchPlan {
  readonly phases: readonly PlannedPhase[];
  readonly visits: readonly PlannedVisit[];
  /** Visits that do not fit into the shifts that are known, with the hands-on minutes that each wants. */
  readonly beyond: readonly { readonly id: string; readonly minutes: number }[];
  /** Visits that nobody here may do. */
  readonly nobody: readonly string[];
  readonly cents: number;
  /** For each technician, the order of the visits' hands-on phases: what the plan is made of. */
  readonly order: Readonly<Record<string, readonly { readonly visitId: string; readonly phaseId: string }[]>>;
}
