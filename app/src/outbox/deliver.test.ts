import type { Person } from '@hudrik/core/contracts';
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
beforeEach(() => {
  asked = [];
  globalThis.fetch = (async (url: string, init: { headers: Record<string, string>; body: unknown }) => {
    asked.push({ url, ...init });
    return { ok: true, status: 201, headers: new Headers(), json: async () => ({ entry: { id: 'i1' } }) };
  }) as never;
});

test('an entry goes as its maker’s, with where it hangs and when it was made', async () => {
  expect(await deliver(item({}), IVO)).toEqual({ id: 'i1' });
  expect(asked[0]?.url).toBe('/api/log');
  expect(asked[0]?.headers['Hudrik-Person']).toBe('2');
  expect(JSON.parse(String(asked[0]?.body))).toEqual({
    id: 'i1',
    kind: 'note',
    facts: { text: 'Loud' },
    at: '2030-03-04T09:00:00Z',
    tag: 'GE-07',
    jobId: '7',
    findingId: null,
    lineId: null,
    madeBy: null,
  });
});

test('sent on by a lead it keeps its maker’s name', async () => {
  await deliver(item({}), RUNA);
  expect(JSON.parse(String(asked[0]?.body))).toMatchObject({ madeBy: 2 });
  expect(asked[0]?.headers['Hudrik-Person']).toBe('1');
});

test('a photo goes as it is, under its id', async () => {
  const photo = { what: 'photo', type: 'image/jpeg', bytes: new Uint8Array([1, 2, 3]).buffer };
  expect(await deliver(item(photo), RUNA)).toBeNull();
  expect(asked[0]?.url).toBe('/api/photos/i1?madeBy=2');
  expect(asked[0]?.headers['Content-Type']).toBe('image/jpeg');
});
