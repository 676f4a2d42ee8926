import { ENGINE_OIL, SERVICE_PLANS, type ClassId } from '@hudrik/core/catalogue';
import { itemState, type Moment } from '@hudrik/core/service';

/** Of its interval, what may be left of an item that is done while the oil is changed. */
const SOON_DUE = 0.4;

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
    const ids = SERVICE_PLANS[this.#classId].items
      .filter((item) => {
        const past = { item, done: this.#done.get(item.id) ?? null, came: this.#came };
        return item.id === ENGINE_OIL || itemState(past, now).share < SOON_DUE;
      })
      .map((item) => item.id);
    for (const id of ids) this.#done.set(id, now);
    return ids;
  }
}
