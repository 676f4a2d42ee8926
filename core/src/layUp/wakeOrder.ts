/** A unit that stands. */
export interface Sleeper {
  readonly tag: string;
  /** Days from now until it goes out, or until its season ends; null: nobody wants it. */
  readonly wantedIn: number | null;
  /** Minutes of work until it can be checked in. */
  readonly minutes: number;
}

export interface Waking<S extends Sleeper> {
  readonly unit: S;
  /** Minutes of work, of one pair of hands, until this one is awake too. */
  readonly after: number;
  /** Minutes that it comes too late by, were all of it begun now and never left; 0: in time. */
  readonly lateBy: number;
}

const MINUTES_A_DAY = 1440;

/**
 * In which order units are woken. The one that goes out first is first: with one pair of hands no other order has the latest of them less late (Jackson
 * 1955). Of those wanted at one moment the most work first; those that nobody wants last, by tag.
 *
 * @example wakeOrder([{ tag: 'SN-02', wantedIn: 9, minutes: 20 }, { tag: 'SN-01', wantedIn: 2, minutes: 45 }]).map(({ after }) => after) // [45, 65]
 */
export function wakeOrder<S extends Sleeper>(units: readonly S[]): Waking<S>[] {
  const wanted = ({ wantedIn }: S): number => wantedIn ?? Number.MAX_VALUE;
  const order = [...units].sort(
    (a, b) => wanted(a) - wanted(b) || b.minutes - a.minutes || a.tag.localeCompare(b.tag, 'en', { numeric: true }),
  );
  let after = 0;
  return order.map((unit) => {
    after += unit.minutes;
    const lateBy = unit.wantedIn === null ? 0 : Math.max(after - unit.wantedIn * MINUTES_A_DAY, 0);
    return { unit, after, lateBy };
  });
}
