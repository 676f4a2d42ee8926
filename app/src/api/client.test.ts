import { call, isUnreachable, Refused, sentenceOf, whenSignedOut, sayUnsent } from './client';
import { readKept } from './readKept';
import { kv } from './kv';
import { number, object } from '@hudrik/core/fields';

type Init = RequestInit & { readonly headers: Record<string, string> };
const asked: { url: string; init: Init }[] = [];
const answer = (status: number, body: unknown, headers: Record<string, string> = {}) => {
  asked.length = 0;
  const fetching = async (url: string, init: Init) => {
    asked.push({ url, init });
    return { ok: status < 400, status, headers: new Headers(headers), json: async () => body };
  };
  Object.assign(globalThis, { fetch: fetching });
};
const problem = (code: string, more: object = {}) => ({ type: '', status: 409, code, title: 'No.', ...more });
const failing = async (work: Promise<unknown>): Promise<unknown> =>
  work.then(
    () => null,
    (error: unknown) => error,
  );

describe('a call of the server', () => {
  test('by its name in the contract, with what goes in path, query, head and body', async () => {
    answer(200, { units: [] });
    await call('units', { query: { find: 'a b', class: undefined, readiness: '', limit: 5 } });
    expect([asked[0]?.url, asked[0]?.init.method, asked[0]?.init.body]).toEqual([
      '/api/units?find=a+b&limit=5',
      'GET',
      undefined,
    ]);
    answer(200, {});
    await call('changeUnit', {
      params: { tag: 'GE/07' },
      body: { homeBay: 'North 1' },
      seenVersion: 4,
      as: 2,
      key: 'k',
    });
    expect(asked[0]?.url).toBe('/api/units/GE%2F07');
    expect(asked[0]?.init).toMatchObject({
      method: 'PATCH',
      credentials: 'same-origin',
      body: '{"homeBay":"North 1"}',
      headers: {
        ...{ 'If-Match': '"4"', 'Idempotency-Key': 'k', 'Hudrik-Person': '2' },
        'Content-Type': 'application/json',
      },
    });
    answer(201, {});
    await call('putPhoto', { params: { id: 'x' }, raw: { type: 'image/png', content: 'bytes' } });
    expect(asked[0]?.init).toMatchObject({ body: 'bytes', headers: { 'Content-Type': 'image/png' } });
    // What the outbox holds is not said before it was looked into.
    expect(asked[0]?.init.headers).not.toHaveProperty('Hudrik-Waiting');
    sayUnsent(3, new Date(Date.now() - 5_400_000).toISOString());
    answer(200, {});
    await call('putPhoto', { params: { id: 'x' }, raw: { type: 'image/png', content: 'bytes' } });
    expect(asked.at(-1)?.init).toMatchObject({ headers: { 'Hudrik-Waiting': '3;oldest=5400' } });
    // A clock that was put back: how long it waits is not known.
    sayUnsent(2, new Date(Date.now() + 60_000).toISOString());
    answer(200, {});
    await call('putPhoto', { params: { id: 'x' }, raw: { type: 'image/png', content: 'bytes' } });
    expect(asked.at(-1)?.init).toMatchObject({ headers: { 'Hudrik-Waiting': '2' } });
    sayUnsent(0, null);
  });

  test('a refusal is one, with its code and its fields; a page that is no answer is a server that is away', async () => {
    answer(422, problem('not-valid', { title: 'That is not valid.', errors: [{ path: 'a', message: 'Too long.' }] }));
    const refused = await failing(call('shift'));
    expect(refused instanceof Refused && refused.code).toBe('not-valid');
    expect(sentenceOf(refused)).toBe('That is not valid. Too long.');
    for (const [status, body] of [
      [502, null],
      [500, {}],
      [503, problem('store-away')],
    ] as const) {
      answer(status, body);
      expect(isUnreachable(await failing(call('shift')))).toBe(true);
    }
    Object.assign(globalThis, { fetch: () => Promise.reject(new TypeError('no line')) });
    const away = await failing(call('shift'));
    expect([isUnreachable(away), sentenceOf(away)]).toEqual([true, 'The yard’s server cannot be reached just now.']);
    expect(sentenceOf('odd')).toBe('Something went wrong.');
  });

  test('whoever waits for it hears that nobody is signed in any more; asking who is signed in tells nobody', async () => {
    let heard = 0;
    const stop = whenSignedOut(() => heard++);
    for (const code of ['not-signed-in', 'somebody-else']) {
      answer(401, problem(code));
      await failing(call('shift'));
    }
    expect(heard).toBe(2);
    answer(401, problem('not-signed-in'));
    await failing(call('me'));
    answer(403, problem('not-your-role'));
    await failing(call('shift'));
    expect(heard).toBe(2);
    stop();
    answer(401, problem('not-signed-in'));
    await failing(call('shift'));
    expect(heard).toBe(2);
  });
});

test('what was kept on the device is read if this version knows it', async () => {
  const schema = object({ height: number().required() });
  expect(await readKept('a', schema)).toBeNull();
  await kv.setItem('a', '{"height":7}');
  expect(await readKept('a', schema)).toEqual({ height: 7 });
  for (const odd of ['{"tall":1}', 'not JSON', 'null', '[]']) {
    await kv.setItem('a', odd);
    expect([odd, await readKept('a', schema)]).toEqual([odd, null]);
  }
});
