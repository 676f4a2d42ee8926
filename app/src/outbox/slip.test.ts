import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { closeAll, IVO, note, pageOf, Server, until } from './outbox.samples';
import { slipIn } from './slip';

afterEach(async () => {
  await closeAll();
  globalThis.indexedDB = new IDBFactory();
});

describe('what is written down within the tap', () => {
  test('what a page had no time to keep before it was left is kept by the next one, once', async () => {
    const kept = new Map<string, string>();
    const store = {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
      removeItem: (key: string) => void kept.delete(key),
      key: (at: number) => [...kept.keys()][at] ?? null,
      get length() {
        return kept.size;
      },
    };
    const slip = slipIn(store, 'test');
    const left = note(IVO);
    slip.write({ item: left, photos: [] });
    kept.set('test-slip-broken', '{');
    kept.set('something else', 'x');
    const page = pageOf(new Server(), { slip });
    await page.opened();
    await until(() => page.shown().items.some(({ id, isKept }) => id === left.id && isKept));
    expect([...kept.keys()]).toEqual(['test-slip-broken', 'something else']);
    // Written within the call: nothing else has run yet.
    const next = note(IVO);
    const keeping = page.keep(next);
    expect(slip.all().map(({ item }) => item.id)).toEqual([next.id]);
    await keeping;
    expect(page.shown().items.map(({ id }) => id)).toEqual([left.id, next.id]);
    expect(slip.all()).toEqual([]);
  });

  test('where nothing can be written at once, it is kept all the same', async () => {
    const full = () => {
      throw new Error('full');
    };
    const slip = slipIn({ getItem: full, setItem: full, removeItem: full, key: full, length: 1 }, 'test');
    const page = pageOf(new Server(), { slip });
    expect(await page.keep(note(IVO))).toBe('on-device');
    expect(slip.all()).toEqual([]);
  });
});
