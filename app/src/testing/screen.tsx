import 'fake-indexeddb/auto';
import type { Person } from '@hudrik/core/contracts';
import AsyncStorage from '@react-native-async-storage/async-storage';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, configure, fireEvent, render, screen, waitFor } from '@testing-library/react-native';
import { PersonContext, queryClient } from '@/api';
import { closeOutbox, outbox } from '@/outbox';
import { IDBFactory } from 'fake-indexeddb';

// The first screen of a file takes seconds, and many on a machine that has other things to do.
configure({ asyncUtilTimeout: 30_000 });

// What one test left on the device is not there for the next.
beforeEach(() => AsyncStorage.clear());
// Stores of reads wait a while before they forget: a test run does not.
const stores = new Set([queryClient]);
afterEach(async () => {
  cleanup();
  stores.forEach((store) => store.clear());
  await closeOutbox();
  globalThis.indexedDB = new IDBFactory();
});

export interface Sent {
  readonly method: string;
  readonly path: string;
  readonly body: Record<string, unknown>;
}

/** By "GET /api/…" without its query: the reply, or what makes it of what was sent. A refusal is {status, code}. */
export type Replies = Record<string, object | ((sent: Sent) => object)>;

export interface Refusal {
  readonly refused: {
    readonly status: number;
    readonly code: string;
    readonly title?: string;
    readonly facts?: object;
  };
}
export const refusal = (status: number, code: string, facts: object = {}, title = 'Refused.'): Refusal => ({
  refused: { status, code, title, facts },
});

export const IVO: Person = {
  id: 2,
  name: 'Ivo Tarnwell',
  role: 'technician',
  preferences: { units: 'inch', theme: 'light' },
};

/** A server that is not there: what a screen sends it, and whether it can be reached. */
export class FakeServer {
  readonly sent: Sent[] = [];
  isAway = false;
  constructor(readonly replies: Replies) {
    globalThis.fetch = ((url: string, init: { method?: string; body?: unknown } = {}) =>
      this.#answer(url, init)) as never;
  }

  async #answer(url: string, { method = 'GET', body }: { method?: string; body?: unknown }): Promise<unknown> {
    if (this.isAway) throw new TypeError('Network request failed');
    const [path = ''] = url.split('?');
    const sent = {
      method,
      path: url,
      body: typeof body === 'string' ? (JSON.parse(body) as Record<string, unknown>) : {},
    };
    if (method !== 'GET') this.sent.push(sent);
    const reply = this.replies[`${method} ${path}`];
    if (reply === undefined) return problem(404, { code: 'not-found', title: `Nothing at ${method} ${path}` });
    const made = (typeof reply === 'function' ? (reply as (sent: Sent) => object)(sent) : reply) as object | Refusal;
    return 'refused' in made && typeof made.refused === 'object'
      ? problem(made.refused.status, made.refused)
      : { ok: true, status: 200, headers: new Headers(), json: async () => made };
  }
}

const problem = (status: number, facts: object) => ({
  ok: false,
  status,
  headers: new Headers({ 'content-type': 'application/problem+json' }),
  json: async () => ({ type: '', status, ...facts }),
});

/** Shows a screen to somebody who is signed in. */
export function show(node: React.ReactElement, replies: Replies, me: Person = IVO): FakeServer {
  const server = new FakeServer(replies);
  const client = new QueryClient({
    defaultOptions: {
      queries: { retry: false, gcTime: Number.POSITIVE_INFINITY },
      mutations: { retry: false, gcTime: Number.POSITIVE_INFINITY },
    },
  });
  stores.add(client);
  outbox().setPerson(me);
  outbox().whenSettled(() => void client.invalidateQueries());
  render(
    <QueryClientProvider client={client}>
      <PersonContext.Provider value={me}>{node}</PersonContext.Provider>
    </QueryClientProvider>,
  );
  return server;
}

/** Presses what has this name, once it is there. */
export async function press(name: string | RegExp): Promise<void> {
  fireEvent.press(await screen.findByRole('button', { name }));
}

/** Waits until what was pressed is taken: it is gone, or can be pressed again. */
export const pressable = (name: string | RegExp): Promise<unknown> =>
  screen.findByRole('button', { name, disabled: false });
/** Matchers would write the whole of what they find into their message, each time: that takes seconds. */
const untilGone = (find: () => unknown): Promise<void> =>
  waitFor(() => {
    if (find() !== null) throw new Error('It is still there.');
  });
export const gone = (name: string | RegExp): Promise<void> => untilGone(() => screen.queryByRole('button', { name }));
export const goneText = (text: string | RegExp): Promise<void> => untilGone(() => screen.queryByText(text));

export const type = (label: string | RegExp, text: string): void =>
  fireEvent.changeText(screen.getByLabelText(label), text);
