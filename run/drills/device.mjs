/** A device that speaks to a server as a phone does: it keeps its cookies. In: how to find out where to ask. */
export function deviceAt(whereIs) {
  const jar = new Map();
  const ask = async (method, where, { body, headers = {}, timeoutMs = 30_000 } = {}) => {
    const answer = await fetch(`${whereIs()}${where}`, {
      method,
      headers: {
        cookie: [...jar].map(([name, value]) => `${name}=${value}`).join('; '),
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...headers,
      },
      body: body === undefined ? undefined : JSON.stringify(body),
      signal: AbortSignal.timeout(timeoutMs),
    });
    for (const cookie of answer.headers.getSetCookie()) {
      const [, name, value] = /^([^=]+)=([^;]*)/.exec(cookie) ?? [];
      if (name) jar.set(name, value);
    }
    return answer;
  };
  const read = async (where) => {
    const answer = await ask('GET', where);
    if (!answer.ok) throw new Error(`${where}: ${answer.status} ${await answer.text()}`);
    return answer.json();
  };
  return {
    ask,
    read,
    cookies: () => [...jar].map(([name, value]) => `${name}=${value}`).join('; '),
    /** The demo lets in whoever looks at it, and tells its PINs. */
    signIn: async (role = 'technician') => {
      const { people } = await read('/api/sign-in-options');
      const { id, demoPin } = people.find((person) => person.role === role);
      const answer = await ask('POST', '/api/session', { body: { personId: id, pin: demoPin } });
      if (!answer.ok) throw new Error(`nobody could sign in: ${answer.status}`);
      return id;
    },
    note: (tag, text, id = crypto.randomUUID()) =>
      ask('POST', '/api/log', { body: { id, kind: 'note', tag, facts: { text } } }),
  };
}

export const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** Waits until it is so. Out: how long it took, ms; null: it did not come to that. */
export async function until(isSo, mostMs = 30_000) {
  const began = Date.now();
  while (Date.now() - began < mostMs) {
    if (await Promise.resolve(isSo()).catch(() => false)) return Date.now() - began;
    await pause(20);
  }
  return null;
}

export const quantile = (times, share) =>
  [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))] ?? 0;
