import { startDemoServer } from '../demoServer.mjs';
import { freePort } from '../postgres.mjs';
import { deviceAt, pause } from './device.mjs';

const STOPS = 12;
const AT_ONCE = 20;

/** PostgreSQL is stopped and started twelve times under load: does the server live through it, and what does it answer meanwhile? */
export async function outages(postgres) {
  const server = await startDemoServer(postgres, 'hudrik_outages', await freePort());
  const device = deviceAt(() => server.url);
  await device.signIn();
  const answers = new Map();
  let done = false;
  const count = (what) => answers.set(what, (answers.get(what) ?? 0) + 1);
  const load = async (n) => {
    for (let k = 0; !done; k++) {
      const answer = await (
        k % 4 === n % 4 ? device.note('GE-03', 'Under load') : device.ask('GET', '/api/units')
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
      up = await device.ask('GET', '/api/units').then(
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

function isAlive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}
