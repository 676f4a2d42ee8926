import type { Person } from '@hudrik/core/contracts';
import pRetry from 'p-retry';
import { Refused } from '@/api/client';
import { goesOutAs, threadOf, type Delivered, type Item } from './item';

/** What is sent is taken back from the list after so long: until then screens show it, whatever they read meanwhile. */
const SHOWN_AFTERWARDS_MS = 120_000;
const FIRST_PAUSE_MS = 1000;
const LONGEST_PAUSE_MS = 60_000;

export interface Pass {
  readonly items: readonly Item[];
  readonly person: Person;
  readonly deliver: (item: Item, as: Person) => Promise<Delivered>;
  readonly settle: (
    item: Item,
    change: Pick<Item, 'state' | 'problem' | 'settledAt' | 'answer' | 'reply'>,
  ) => Promise<void>;
  /** Nobody answered for it: it is tried again later. */
  readonly leave: (item: Item) => void;
  readonly forget: (places: readonly number[]) => Promise<void>;
  /** Asked before each: the turn may be lost, or somebody else signed in. */
  readonly mayGoOn: () => boolean;
}

/** What came of going through all that waits. */
export interface Passed {
  readonly isLeft: boolean;
  readonly hasMoved: boolean;
}

/**
 * Sends what waits, oldest first, one at a time. What the server does not answer for is left, and nothing of the same job, finding or unit
 * overtakes it. Out: whether something is left to be tried again, and whether anything was settled.
 */
export async function sendWaiting({ items, person, deliver, settle, leave, forget, mayGoOn }: Pass): Promise<Passed> {
  const stuck = new Set<string>();
  let hasMoved = false;
  for (const item of items) {
    if (!mayGoOn()) return { isLeft: stuck.size > 0, hasMoved };
    if (item.state !== 'waiting' || !goesOutAs(item, person)) continue;
    if (stuck.has(threadOf(item))) {
      leave(item);
      continue;
    }
    if (await sendOne({ person, deliver, settle }, item)) hasMoved = true;
    else {
      stuck.add(threadOf(item));
      leave(item);
    }
  }
  const old = items.filter(
    ({ settledAt, state }) => state === 'sent' && Date.now() - (settledAt ?? 0) > SHOWN_AFTERWARDS_MS,
  );
  if (old.length > 0) await forget(old.map((item) => item.place));
  return { isLeft: stuck.size > 0, hasMoved };
}

/** Out: whether it is settled: taken, or refused for good. */
async function sendOne({ person, deliver, settle }: Pick<Pass, 'person' | 'deliver' | 'settle'>, item: Item) {
  try {
    const delivered = await deliver(item, person);
    await settle(item, { state: 'sent', problem: null, settledAt: Date.now(), ...delivered });
  } catch (error) {
    if (!isFinal(error)) return false;
    await settle(item, { state: 'refused', problem: error.problem, settledAt: Date.now(), answer: null });
  }
  return true;
}

/** Signed out, too often, too early: asked again it may well be taken. */
const PASSING: ReadonlySet<number> = new Set([401, 408, 425, 429]);

/** Asked again, it would be refused again. */
const isFinal = (error: unknown): error is Refused =>
  error instanceof Refused && error.problem.status < 500 && !PASSING.has(error.problem.status);

/** Rung when something new waits, the connection comes back, or another person signs in. */
export class Bell {
  #rung = new AbortController();

  ring(): void {
    this.#rung.abort();
  }

  /** A signal of the next ring. */
  next(): AbortSignal {
    if (this.#rung.signal.aborted) this.#rung = new AbortController();
    return this.#rung.signal;
  }
}

const abortOf = (signal: AbortSignal): Promise<void> =>
  new Promise((resolve) => {
    if (signal.aborted) resolve();
    else signal.addEventListener('abort', () => resolve(), { once: true });
  });

/**
 * Sends again and again: at once when the bell rings, else with pauses as long as something is left, which grow while nothing moves. Ends when it
 * is stopped.
 */
export async function keepSending(pass: () => Promise<Passed>, bell: Bell, stop: AbortSignal): Promise<void> {
  const end = () => bell.ring();
  stop.addEventListener('abort', end);
  while (!stop.aborted) {
    const rung = bell.next();
    let isLeft = true;
    const untilItMoves = () =>
      pRetry(
        async () => {
          // Whatever breaks it, it is tried again: the package gives up on some kinds of error.
          const passed = await pass().catch((cause: unknown) => {
            throw new Error('It broke off.', { cause });
          });
          isLeft = passed.isLeft;
          if (isLeft && !passed.hasMoved) throw new Error('Something still waits.');
        },
        {
          retries: Number.POSITIVE_INFINITY,
          minTimeout: FIRST_PAUSE_MS,
          maxTimeout: LONGEST_PAUSE_MS,
          randomize: true,
          signal: rung,
        },
      ).catch(() => undefined);
    while (isLeft && !rung.aborted) await untilItMoves();
    await abortOf(rung);
  }
  stop.removeEventListener('abort', end);
}
