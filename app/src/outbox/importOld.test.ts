import AsyncStorage from '@react-native-async-storage/async-storage';
import { kv } from '@/api/kv';
import type { NewItem } from './item';
import { importOld } from './importOld';

jest.mock('@react-native-async-storage/async-storage', () =>
  jest.requireActual<object>('@react-native-async-storage/async-storage/jest/async-storage-mock'),
);

const put = (key: string, value: unknown): Promise<void> => kv.setItem(key, JSON.stringify(value));

async function imported(): Promise<NewItem[]> {
  const items: NewItem[] = [];
  taken = [];
  await importOld(async (item, photos) => {
    items.push(item);
    taken.push(...photos);
  });
  return items;
}
/** The photos that go ahead. */
let taken: string[] = [];

beforeEach(() => AsyncStorage.clear());

describe('what waited on this device before there was one outbox', () => {
  test('finished check-ins, with their photos ahead and what they were made from; somebody must say whose they are', async () => {
    const body = {
      id: 'c1',
      tag: 'GE-07',
      startedAt: '2030-03-04T09:00:00Z',
      answers: [{ check: 'oil', photos: ['p1', 'gone'] }],
    };
    await put('hudrik-outbox', [{ body, draft: { leaf: 3 }, state: 'refused' }, { body: 'nonsense' }]);
    const [entry, ...rest] = await imported();
    expect(rest).toEqual([]);
    expect(taken).toEqual(['p1', 'gone']);
    expect(entry).toMatchObject({
      id: 'c1',
      kind: 'check-in',
      on: { tag: 'GE-07' },
      maker: null,
      madeAt: '2030-03-04T09:00:00Z',
      draft: { leaf: 3 },
    });
    expect(entry).toMatchObject({ facts: { startedAt: '2030-03-04T09:00:00Z' } });
    expect(await kv.getItem('hudrik-outbox')).toBeNull();
  });

  test('of a card, by the names that its kinds and facts have now', async () => {
    const made = (id: string, kind: string, facts: object) => ({
      entry: { id, kind, facts, by: 'Ivo', at: '2030-03-04T09:00:00Z' },
      refused: null,
    });
    await put('hudrik-card-7', {
      reply: {},
      unsent: [
        made('e1', 'step-added', { stepId: 's', says: 'Clean it' }),
        made('e2', 'waits', { for: 'part', why: '' }),
        made('e3', 'struck', { thingId: 't', why: 'Would snap' }),
        made('e4', 'step-done', { stepId: 's' }),
      ],
    });
    const items = await imported();
    expect(
      items.map((item) => [item.id, item.what === 'entry' && item.kind, item.what === 'entry' && item.facts]),
    ).toEqual([
      ['e1', 'step-added', { stepId: 's', title: 'Clean it' }],
      ['e2', 'paused', { for: 'part', why: '' }],
      ['e3', 'struck-off', { thingId: 't', why: 'Would snap' }],
      ['e4', 'step-done', { stepId: 's' }],
    ]);
    expect(items[0]).toMatchObject({
      on: { jobId: '7' },
      maker: { id: null, name: 'Ivo' },
      madeAt: '2030-03-04T09:00:00Z',
    });
    expect(await kv.getItem('hudrik-card-7')).toBeNull();
  });

  const seen = (id: string, more: object = {}) => ({
    id,
    kind: 'seen',
    observation: 'choke',
    outcomes: ['needs-choke'],
    reading: null,
    fault: null,
    at: '2030-03-04T09:00:00Z',
    by: 'Ivo',
    sent: false,
    ...more,
  });

  test('of a finding that the server had never heard of: its beginning first; which it is stays known', async () => {
    const machine = { engine: { strokes: 4 }, past: {} };
    const entries = [
      seen('e1'),
      seen('e2', { kind: 'repaired', observation: null, outcomes: [], fault: 'plug-fouled' }),
    ];
    await put('hudrik-finding-GE-07', { id: 'f1', opened: false, machine, entries });
    const items = await imported();
    expect(items.map((item) => item.what === 'entry' && [item.kind, item.facts])).toEqual([
      ['finding-opened', { machine }],
      ['seen', { observation: 'choke', outcomes: ['needs-choke'], reading: null }],
      ['repaired', { fault: 'plug-fouled' }],
    ]);
    expect(items[0]).toMatchObject({ id: 'f1', on: { tag: 'GE-07' } });
    expect(items[1]).toMatchObject({ id: 'e1', on: { findingId: 'f1', tag: 'GE-07' } });
    expect(JSON.parse((await kv.getItem('hudrik-finding-GE-07')) ?? '')).toEqual({ id: 'f1' });
    expect(await imported()).toEqual([]);
  });

  test('of one that it knew: only what was not sent, and the machine where that was described here', async () => {
    const machine = { engine: {}, past: { daysStood: 40 } };
    const entries = [seen('old', { sent: true }), seen('e1', { kind: 'could-not-tell' })];
    await put('hudrik-finding-by-itself', { id: 'f2', opened: true, machine, machineUnsent: true, entries });
    const items = await imported();
    expect(items.map((item) => item.what === 'entry' && [item.kind, item.facts])).toEqual([
      ['machine-described', { machine }],
      ['could-not-tell', { observation: 'choke' }],
    ]);
    expect(items[1]).toMatchObject({ on: { findingId: 'f2' } });
  });

  test('anything else on the device, and what cannot be read, is left alone', async () => {
    await put('hudrik-draft-GE-07', { leaf: 2 });
    await kv.setItem('hudrik-card-9', '{broken');
    expect(await imported()).toEqual([]);
    expect(await kv.getItem('hudrik-draft-GE-07')).toBe('{"leaf":2}');
    expect(await kv.getItem('hudrik-card-9')).toBe('{broken');
  });
});
