import type { LogRecord, Person, Problem } from '@hudrik/core/contracts';
import { Refused } from '@/api/client';
import type { Delivered, Item, NewItem } from './item';
import { Outbox, type Parts } from './Outbox';
import { slipIn } from './slip';

const person = (id: number, name: string, role: Person['role'] = 'technician'): Person => ({
  id,
  name,
  role,
  preferences: { units: 'inch', theme: 'light' },
});
export const [IVO, MAREN, RUNA] = [person(2, 'Ivo'), person(3, 'Maren'), person(1, 'Runa', 'lead')];

let made = 0;
export const note = (maker: NewItem['maker'], more: Partial<NewItem> = {}): NewItem =>
  ({
    id: `item-${made++}`,
    what: 'entry',
    kind: 'note',
    facts: { text: 'Loud' },
    on: { tag: 'GE-07' },
    maker,
    madeAt: new Date().toISOString(),
    ...more,
  }) as NewItem;

export const recordOf = ({ id }: Item): { answer: LogRecord } => ({
  answer: {
    id,
    at: '2030-03-04T09:00:00Z',
    by: null,
    sentBy: null,
    kind: 'note',
    facts: {},
    outcome: { taken: true },
    jobId: null,
    corrects: null,
  },
});
export const problem = (status: number, code: Problem['code']): Refused =>
  new Refused({ type: '', title: 'No.', status, code });

/** A server that the outbox sends to: what came, as whom, and what it answers. */
export class Server {
  readonly came: [id: string, as: string][] = [];
  answer: (item: Item) => Promise<Delivered> = async (item) => recordOf(item);

  readonly deliver: Parts['deliver'] = async (item, as) => {
    this.came.push([item.id, as.name]);
    return this.answer(item);
  };
}

/** The browser's locks, as far as they are used: one holder of a name, the others wait in line. */
export class Locks {
  #line: Promise<unknown> = Promise.resolve();
  readonly request = (async (_name: string, { signal }: { signal: AbortSignal }, work: () => Promise<void>) => {
    const turn = this.#line.then(() => (signal.aborted ? undefined : work()));
    this.#line = turn.catch(() => undefined);
    return turn;
  }) as unknown as LockManager['request'];
}

const open: Outbox[] = [];
export function pageOf(server: Server, more: Partial<Parts> = {}): Outbox {
  const page = new Outbox({
    name: 'test',
    deliver: server.deliver,
    locks: null,
    lease: { beatMs: 20, expiresMs: 100 },
    photos: { read: async () => null, drop: async () => undefined },
    slip: slipIn(null, 'test'),
    ...more,
  });
  open.push(page);
  return page;
}

export const until = async (isSo: () => boolean, withinMs = 4000): Promise<void> => {
  const began = Date.now();
  while (!isSo()) {
    if (Date.now() - began > withinMs) throw new Error('It did not come to that.');
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
};
export const statesOf = (page: Outbox): string[] => page.shown().items.map((item) => item.state);

/** Closes what a test opened. */
export const closeAll = (): Promise<unknown> => Promise.all(open.splice(0).map((page) => page.stop()));
