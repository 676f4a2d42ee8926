import type { Person } from '@hudrik/core/contracts';
import { call } from '@/api';
import { deliver } from './deliver';
import { fresh, type Item, type NewItem } from './item';

const IVO = { id: 2, name: 'Ivo', role: 'technician' } as Person;
const RUNA = { id: 1, name: 'Runa', role: 'lead' } as Person;

const item = (more: object): Item =>
  ({
    ...fresh(
      {
        id: 'i1',
        what: 'entry',
        kind: 'note',
        facts: { text: 'Loud' },
        on: { jobId: '7', tag: 'GE-07' },
        maker: { id: 2, name: 'Ivo' },
        madeAt: '2030-03-04T09:00:00Z',
        ...more,
      } as NewItem,
      true,
    ),
    place: 1,
  }) as Item;

interface Asked {
  readonly url: string;
  readonly headers: Record<string, string>;
  readonly body: unknown;
}

let asked: Asked[] = [];
const clock = { serverAheadMs: 0 };
const bodyOf = (one: Asked | undefined): Record<string, unknown> => JSON.parse(String(one?.body));
beforeEach(() => {
  asked = [];
  clock.serverAheadMs = 0;
  globalThis.fetch = (async (url: string, init: { headers: Record<string, string>; body: unknown }) => {
    asked.push({ url, ...init });
    const headers = new Headers({ date: new Date(Date.now() + clock.serverAheadMs).toUTCString() });
    return { ok: true, status: 201, headers, json: async () => ({ entry: { id: 'i1' } }) };
  }) as never;
});

test('an entry goes as its maker’s, with where it hangs and when it was made', async () => {
  expect(await deliver(item({}), IVO)).toEqual({ answer: { id: 'i1' } });
  expect(asked[0]?.url).toBe('/api/log');
  expect(asked[0]?.headers['Hudrik-Person']).toBe('2');
  expect(bodyOf(asked[0])).toEqual({
    id: 'i1',
    kind: 'note',
    facts: { text: 'Loud' },
    at: '2030-03-04T09:00:00Z',
    tag: 'GE-07',
    jobId: '7',
    findingId: null,
    lineId: null,
    // It was never measured: when it was made is not known.
    offsetMs: null,
    madeBy: null,
  });
});

describe('the offset by which its time was told', () => {
  const entries = () => asked.filter(({ url }) => url === '/api/log').map((one) => bodyOf(one)['offsetMs']);

  test('goes with it while the clock stands as it did; it is measured anew before', async () => {
    clock.serverAheadMs = 7_200_000;
    jest.spyOn(performance, 'now').mockReturnValueOnce(1e8);
    await deliver(item({ offsetMs: 7_200_000 }), IVO);
    expect(asked.map(({ url }) => url)).toEqual(['/api/session', '/api/log']);
    expect(entries()).toEqual([7_200_000]);
  });

  test('of a device whose clock was moved since, nobody knows it any more', async () => {
    clock.serverAheadMs = 0;
    await call('me');
    await deliver(item({ offsetMs: 7_200_000 }), IVO);
    expect(entries()).toEqual([null]);
  });

  test('where nobody answers it is not sent at all', async () => {
    jest.spyOn(performance, 'now').mockReturnValue(1e9);
    globalThis.fetch = (async () => Promise.reject(new TypeError('away'))) as never;
    await expect(deliver(item({ offsetMs: 0 }), IVO)).rejects.toThrow('cannot be reached');
    jest.restoreAllMocks();
  });
});

test('a change that is no entry goes under its id, so that it is made once', async () => {
  const options = { params: { id: 'o1' }, body: undefined };
  expect(await deliver(item({ what: 'call', operation: 'receiveOrder', options }), IVO)).toEqual({
    answer: null,
    reply: { entry: { id: 'i1' } },
  });
  expect(asked[0]).toMatchObject({ url: '/api/orders/o1/receive', headers: { 'Idempotency-Key': 'i1' } });
});

test('sent on by a lead it keeps its maker’s name', async () => {
  await deliver(item({}), RUNA);
  expect(bodyOf(asked[0])).toMatchObject({ madeBy: 2 });
  expect(asked[0]?.headers['Hudrik-Person']).toBe('1');
});

test('a photo goes as it is, under its id', async () => {
  const photo = { what: 'photo', type: 'image/jpeg', bytes: new Uint8Array([1, 2, 3]).buffer };
  expect(await deliver(item(photo), RUNA)).toEqual({ answer: null });
  expect(asked[0]?.url).toBe('/api/photos/i1?madeBy=2');
  expect(asked[0]?.headers['Content-Type']).toBe('image/jpeg');
});
