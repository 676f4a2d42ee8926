import { startDemoServer } from './demoServer.mjs';
import { freePort } from './postgres.mjs';

const STOPS = 12;
const AT_ONCE = 20;

/** PostgreSQL is stopped and started twelve times under load: does the server live through it, and what does it answer meanwhile? */
export async function outages(postgres) {
  const server = await startDemoServer(postgres, 'hudrik_outages', await freePort());
  const cookie = await signIn(server.url);
  const answers = new Map();
  let done = false;
  const count = (what) => answers.set(what, (answers.get(what) ?? 0) + 1);
  const load = async (n) => {
    for (let k = 0; !done; k++) {
      const answer = await (
        k % 4 === n % 4 ? note(server.url, cookie) : fetch(`${server.url}/api/units`, { headers: { cookie } })
      ).catch(() => null);
      count(answer === null ? 'no answer' : String(answer.status));
      await answer?.arrayBuffer().catch(() => null);
    }
  };
  const loads = Array.from({ length: AT_ONCE }, (_, n) => load(n));
  let lived = 0;
  const back = [];
  for (let n = 0; n < STOPS; n++) {
    await pause(400);
    postgres.pause();
    await pause(300);
    const began = Date.now();
    postgres.resume();
    for (let up = false; !up && Date.now() - began < 20_000; await pause(20))
      up = await fetch(`${server.url}/api/units`, { headers: { cookie } }).then(
        (answer) => answer.ok,
        () => false,
      );
    back.push(Date.now() - began);
    if (isAlive(server.pid)) lived++;
  }
  done = true;
  await Promise.all(loads);
  server.stop();
  console.log(
    `\nPostgreSQL stopped ${STOPS} times under ${AT_ONCE} requests at once: the server lived through ${lived}`,
  );
  console.log(
    `answers: ${[...answers]
      .sort()
      .map(([what, times]) => `${what} × ${times}`)
      .join(', ')}`,
  );
  console.log(`from the database's start to the first answer: at most ${Math.max(...back)} ms`);
}

const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

async function signIn(url) {
  const cookiesOf = (said) =>
    said.headers
      .getSetCookie()
      .map((one) => one.split(';')[0])
      .join('; ');
  // The demo lets in whoever looks at it.
  const device = cookiesOf(await fetch(`${url}/api/sign-in-options`));
  const answer = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', cookie: device },
    body: JSON.stringify({ personId: 1, pin: '4711' }),
  });
  return `${device}; ${cookiesOf(answer)}`;
}

const note = (url, cookie) =>
  fetch(`${url}/api/log`, {
    method: 'POST',
    headers: { cookie, 'content-type': 'application/json' },
    body: JSON.stringify({ id: crypto.randomUUID(), kind: 'note', tag: 'GE-03', facts: { text: 'Under load' } }),
  });

function isAlive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}
