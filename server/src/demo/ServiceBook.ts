import { ENGINE_OIL, SERVICE_PLANS, type ClassId, type ServiceItem } from '@hudrik/core/catalogue';
import { itemState, type Moment } from '@hudrik/core/service';

/** Of its interval, what may be left of an item that is done while the oil is changed. */
const SOON_DUE = 0.4;

/** A month, or so many hours: what comes round so soon is done between two hires. */
const SOON_ROUND_HOURS = 30;

/** What of a unit's plan was done when, so that a life of years has more than oil in it. */
export class ServiceBook {
  readonly #classId: ClassId;
  readonly #came: Moment;
  readonly #done = new Map<string, Moment>();

  /** Of a unit that came at this time, milliseconds. */
  constructor(classId: ClassId, cameAt: number) {
    this.#classId = classId;
    this.#came = { trueHours: 0, at: new Date(cameAt) };
  }

  /** Ids of what is done at an oil change: the oil, and what else is soon due. */
  doneWithOil(now: Moment): string[] {
    return this.#do(now, (item) => item.id === ENGINE_OIL);
  }

  /** Ids of what comes round soon and is due: done between two hires. */
  doneBetween(now: Moment): string[] {
    const comesSoon = ({ every: { hours = Infinity, months = Infinity } }: ServiceItem): boolean =>
      months === 1 || hours <= SOON_ROUND_HOURS;
    return this.#do(now, () => false, comesSoon);
  }

  #do(
    now: Moment,
    always: (item: ServiceItem) => boolean,
    among: (item: ServiceItem) => boolean = () => true,
  ): string[] {
    const ids = SERVICE_PLANS[this.#classId].items
      .filter((item) => {
        const past = { item, done: this.#done.get(item.id) ?? null, came: this.#came };
        return always(item) || (among(item) && itemState(past, now).share < SOON_DUE);
      })
      .map((item) => item.id);
    for (const id of ids) this.#done.set(id, now);
    return ids;
  }
}
