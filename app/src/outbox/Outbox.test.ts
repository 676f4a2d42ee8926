import 'fake-indexeddb/auto';
import { nth } from '@hudrik/core/typed';
import { IDBFactory } from 'fake-indexeddb';
import type { NewItem } from './item';
import {
  closeAll,
  IVO,
  Locks,
  MAREN,
  note,
  pageOf,
  problem,
  recordOf,
  RUNA,
  Server,
  statesOf,
  until,
} from './outbox.samples';

afterEach(async () => {
  await closeAll();
  globalThis.indexedDB = new IDBFactory();
});

describe('the outbox of one page', () => {
  test('keeps before it sends, sends in order, and shows what came of it', async () => {
    const server = new Server();
    const page = pageOf(server);
    const [first, second] = [note(IVO), note(IVO)];
    expect(await page.keep(first)).toBe('on-device');
    expect(await page.keep(second)).toBe('on-device');
    expect(statesOf(page)).toEqual(['waiting', 'waiting']);
    page.setPerson(IVO);
    await until(() => statesOf(page).every((state) => state === 'sent'));
    expect(server.came.map(([id]) => id)).toEqual([first.id, second.id]);
    expect(page.shown().items[0]?.answer?.outcome).toEqual({ taken: true });
  });

  test('while many go out the device is not read anew for each, and what did not change stays the same thing', async () => {
    const server = new Server();
    const page = pageOf(server);
    for (let n = 0; n < 30; n++) await page.keep(note(IVO));
    const readings = jest.spyOn(IDBObjectStore.prototype, 'getAll');
    const last = page.shown().items.at(-1);
    const seen = new Set<unknown>();
    let settled = 0;
    page.whenSettled(() => settled++);
    page.subscribe(() => seen.add(page.shown().items.at(-1)));
    page.setPerson(IVO);
    await until(() => statesOf(page).every((state) => state === 'sent'));
    expect(readings.mock.calls.length).toBeLessThan(5);
    expect(seen.has(last)).toBe(true);
    expect(settled).toBe(30);
    // Read for the pass, shown for all of it, and then sent.
    expect(seen.size).toBeLessThan(5);
    readings.mockRestore();
    const again = pageOf(server, { name: 'test' });
    await again.opened();
    expect(statesOf(again)).toEqual(Array.from({ length: 30 }, () => 'sent'));
  });

  test('is shown at once, before it is kept', () => {
    const page = pageOf(new Server());
    void page.keep(note(IVO));
    expect(page.shown().items.map(({ state, isKept }) => [state, isKept])).toEqual([['waiting', false]]);
  });

  test('is shown all the time, whatever else is settled while it is being kept', async () => {
    const server = new Server();
    const page = pageOf(server);
    page.setPerson(IVO);
    const first = note(IVO);
    await page.keep(first);
    const second = note(IVO);
    const gaps: string[][] = [];
    let isOn = false;
    page.subscribe(() => {
      const ids = page.shown().items.map(({ id }) => id);
      if (isOn && !ids.includes(second.id)) gaps.push(ids);
    });
    isOn = true;
    const keeping = page.keep(second);
    // Others arrive and are settled at every step of it.
    while (page.shown().items.some(({ id, isKept }) => id === second.id && !isKept)) {
      void page.keep(note(IVO));
      await new Promise((resolve) => setTimeout(resolve, 0));
    }
    await keeping;
    await until(() => statesOf(page).every((state) => state === 'sent'));
    expect(gaps).toEqual([]);
  });

  test('what is asked for first is kept first, however long its photos take', async () => {
    const dropped: string[] = [];
    const read = async (id: string) => {
      await new Promise((resolve) => setTimeout(resolve, 30));
      return id === 'gone' ? null : { type: 'image/jpeg', bytes: new ArrayBuffer(4) };
    };
    const page = pageOf(new Server(), { photos: { read, drop: async (id) => void dropped.push(id) } });
    const slow = page.keep(note(IVO, { id: 'with-photo' }), ['photo', 'gone']);
    await Promise.all([slow, page.keep(note(IVO, { id: 'after' }))]);
    expect(page.shown().items.map((item) => item.id)).toEqual(['photo', 'with-photo', 'after']);
    expect(dropped).toEqual(['photo', 'gone']);
  });

  test('waits for whoever made it; is sent as theirs only, in any later page', async () => {
    const server = new Server();
    const page = pageOf(server);
    const [mine, theirs] = [note(IVO), note(MAREN)];
    await page.keep(mine);
    await page.keep(theirs);
    page.setPerson(IVO);
    await until(() => server.came.length === 1);
    await new Promise((resolve) => setTimeout(resolve, 60));
    expect(server.came).toEqual([[mine.id, 'Ivo']]);
    await page.stop();
    const later = pageOf(server);
    later.setPerson(MAREN);
    await until(() => server.came.length === 2);
    expect(server.came[1]).toEqual([theirs.id, 'Maren']);
  });

  test('only its maker throws it away', async () => {
    const page = pageOf(new Server());
    const theirs = note(MAREN);
    await page.keep(theirs);
    for (const other of [IVO, RUNA]) {
      page.setPerson(other);
      await page.discard(theirs.id);
      await page.retry(theirs.id);
    }
    expect(page.shown().items).toHaveLength(1);
    page.setPerson(null);
    await page.discard(theirs.id);
    expect(page.shown().items).toHaveLength(1);
  });

  test('its maker throws away what the server refused', async () => {
    const server = new Server();
    server.answer = async () => Promise.reject(problem(409, 'job-closed'));
    const page = pageOf(server);
    page.setPerson(MAREN);
    const theirs = note(MAREN);
    await page.keep(theirs);
    await until(() => statesOf(page)[0] === 'refused');
    await page.discard(theirs.id);
    expect(page.shown().items).toEqual([]);
  });

  test('a lead sends on what another made, and nobody else can', async () => {
    const server = new Server();
    const page = pageOf(server);
    const theirs = note(MAREN);
    await page.keep(theirs);
    page.setPerson(IVO);
    await page.sendOn(theirs.id);
    await new Promise((resolve) => setTimeout(resolve, 60));
    expect(server.came).toEqual([]);
    page.setPerson(RUNA);
    await page.sendOn(theirs.id);
    await until(() => server.came.length === 1);
    expect(server.came[0]).toEqual([theirs.id, 'Runa']);
    expect(page.shown().items[0]?.maker).toEqual(MAREN);
  });

  test('what nobody is known to have made waits until somebody says that it is theirs', async () => {
    const server = new Server();
    const page = pageOf(server);
    const lost = note(null);
    await page.keep(lost);
    page.setPerson(RUNA);
    await page.sendOn(lost.id);
    await new Promise((resolve) => setTimeout(resolve, 60));
    expect(server.came).toEqual([]);
    page.setPerson(IVO);
    await page.claim(lost.id);
    await until(() => server.came.length === 1);
    expect(server.came[0]).toEqual([lost.id, 'Ivo']);
  });

  test('no answer, a broken server and a signed-out one are tried again; a refusal is said', async () => {
    const server = new Server();
    const failures: Error[] = [new TypeError('network'), problem(500, 'unexpected'), problem(401, 'not-signed-in')];
    server.answer = async (item) => {
      const failure = failures.shift();
      if (failure) throw failure;
      return recordOf(item);
    };
    const page = pageOf(server);
    page.setPerson(IVO);
    await page.keep(note(IVO));
    for (let left = 3; left >= 0; left--) {
      await until(() => failures.length === Math.max(left - 1, 0));
      await new Promise((resolve) => setTimeout(resolve, 20));
      page.tryNow();
    }
    await until(() => statesOf(page)[0] === 'sent');
    expect(server.came).toHaveLength(4);
  });

  test('what is refused is not sent again; later things of the same unit still go', async () => {
    const server = new Server();
    const [bad, good] = [note(IVO), note(IVO)];
    server.answer = async (item) => (item.id === bad.id ? Promise.reject(problem(409, 'job-closed')) : recordOf(item));
    const page = pageOf(server);
    await page.keep(bad);
    await page.keep(good);
    page.setPerson(IVO);
    await until(() => statesOf(page).join() === 'refused,sent');
    page.tryNow();
    await new Promise((resolve) => setTimeout(resolve, 60));
    expect(server.came.map(([id]) => id)).toEqual([bad.id, good.id]);
    expect(page.shown().items[0]?.problem?.code).toBe('job-closed');
  });

  test('nothing of a job overtakes what could not be sent of it; other jobs go on', async () => {
    const server = new Server();
    const first = note(IVO, { on: { jobId: '7' } });
    server.answer = async (item) => (item.id === first.id ? Promise.reject(new TypeError('network')) : recordOf(item));
    const page = pageOf(server);
    const [second, other] = [note(IVO, { on: { jobId: '7' } }), note(IVO, { on: { jobId: '8' } })];
    for (const item of [first, second, other]) await page.keep(item);
    page.setPerson(IVO);
    await until(() => statesOf(page)[2] === 'sent');
    expect(server.came.map(([id]) => id)).not.toContain(second.id);
  });

  test('tells soon whether the server answered', async () => {
    const server = new Server();
    server.answer = async () => Promise.reject(new TypeError('network'));
    const page = pageOf(server);
    page.setPerson(IVO);
    const waits = note(IVO);
    await page.keep(waits);
    expect((await page.settled(waits.id, 5000))?.state).toBe('waiting');
    server.answer = async (item) => recordOf(item);
    const taken = note(IVO, { on: { tag: 'GE-08' } });
    await page.keep(taken);
    expect((await page.settled(taken.id, 5000))?.state).toBe('sent');
    expect(await page.settled('nothing', 10)).toBeUndefined();
  });

  test('a check-in that was refused is sent anew under the same id', async () => {
    const server = new Server();
    let refuses = true;
    server.answer = async (item) => (refuses ? Promise.reject(problem(409, 'already-out')) : recordOf(item));
    const page = pageOf(server);
    page.setPerson(IVO);
    const first = note(IVO);
    await page.keep(first);
    await until(() => statesOf(page)[0] === 'refused');
    refuses = false;
    await page.keep({ ...first, facts: { text: 'A second look' } } as NewItem);
    await until(() => statesOf(page).join() === 'sent');
    expect(page.shown().items).toHaveLength(1);
  });
});

describe('a device that keeps nothing', () => {
  const failing = (name: string) => {
    const put = jest.spyOn(IDBObjectStore.prototype, 'put');
    put.mockImplementation(() => {
      throw Object.assign(new Error(name), { name });
    });
    return put;
  };

  test.each([
    ['QuotaExceededError', 'full'],
    ['UnknownError', 'forbidden'],
  ])('%s: it says so, and what is made here is sent from this page', async (name, trouble) => {
    const put = failing(name);
    const server = new Server();
    const page = pageOf(server);
    expect(await page.keep(note(IVO))).toBe('in-page');
    expect(page.shown().trouble).toBe(trouble);
    expect(page.shown().items.map((item) => item.isKept)).toEqual([false]);
    page.setPerson(IVO);
    await until(() => statesOf(page)[0] === 'sent');
    put.mockRestore();
    expect(await page.keep(note(IVO))).toBe('on-device');
    expect(page.shown().trouble).toBeNull();
  });

  test('no store at all is forbidden from the beginning', async () => {
    const real = globalThis.indexedDB;
    Object.defineProperty(globalThis, 'indexedDB', { value: undefined, configurable: true, writable: true });
    const page = pageOf(new Server());
    await page.opened();
    expect(page.shown().trouble).toBe('forbidden');
    expect(await page.keep(note(IVO))).toBe('in-page');
    globalThis.indexedDB = real;
  });
});

describe.each([
  ['the browser’s locks', () => new Locks() as Pick<LockManager, 'request'>],
  ['a lease in the store', () => null],
])('several pages, by %s', (_, locksOf) => {
  test('one sends; each thing goes once; all see what came of it', async () => {
    const server = new Server();
    const locks = locksOf();
    const pages = [1, 2, 3].map(() => pageOf(server, { locks }));
    const items = Array.from({ length: 9 }, () => note(IVO));
    for (const [at, item] of items.entries()) await nth(pages, at % 3).keep(item);
    for (const page of pages) page.setPerson(IVO);
    await until(() => pages.every((page) => statesOf(page).filter((state) => state === 'sent').length === 9));
    expect(server.came.map(([id]) => id).sort()).toEqual(items.map((item) => item.id).sort());
  });

  test('when the one that sends is closed, another goes on', async () => {
    const server = new Server();
    const locks = locksOf();
    const first = pageOf(server, { locks });
    first.setPerson(IVO);
    await first.keep(note(IVO));
    await until(() => server.came.length === 1);
    const second = pageOf(server, { locks });
    second.setPerson(IVO);
    await first.stop();
    await second.keep(note(IVO));
    await until(() => server.came.length === 2);
    await until(() => statesOf(second).every((state) => state === 'sent'));
  });
});

describe('a lease in the store', () => {
  test('of a page that died is taken over once it has run out, and not before', async () => {
    const server = new Server();
    const dead = pageOf(server, { lease: { beatMs: 10_000, expiresMs: 300 } });
    dead.setPerson(null);
    await dead.opened();
    await new Promise((resolve) => setTimeout(resolve, 50));
    const began = Date.now();
    const living = pageOf(server, { lease: { beatMs: 20, expiresMs: 300 } });
    living.setPerson(IVO);
    await living.keep(note(IVO));
    await until(() => server.came.length === 1);
    expect(Date.now() - began).toBeGreaterThan(150);
  });

  test('of a page that is stopped while it takes its turn is not held on to', async () => {
    for (let stoppedAfter = 0; stoppedAfter < 12; stoppedAfter++) {
      const page = pageOf(new Server(), { lease: { beatMs: 60_000, expiresMs: 120_000 } });
      await page.opened();
      for (let turn = 0; turn < stoppedAfter; turn++) await new Promise(setImmediate);
      await page.stop();
    }
  });
});
