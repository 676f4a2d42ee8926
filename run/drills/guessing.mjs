import { triesWithin } from '../../core/src/people/guessing';
import { weaknessOfPin } from '../../core/src/people/pin';
import { loadDemo, startServer } from '../demoServer.mjs';
import { freePort, startThrowAwayPostgres } from '../postgres.mjs';
import { deviceAt } from './device.mjs';

const HOUR_S = 3600;
const MONTH_S = 30 * 86_400;
const ADDRESSES = 17;

/** How far somebody comes who guesses a lead's PIN: from strange devices and many addresses, and from a device that was let in. Out: figures. */
async function guessingDrill() {
  const postgres = await startThrowAwayPostgres();
  const env = { ...loadDemo(postgres, 'hudrik_guessing'), HUDRIK_LOG: 'silent' };
  const server = await startServer({ ...env, HUDRIK_DEMO: '0' }, await freePort());
  const demo = await startServer(env, await freePort());
  try {
    // Strange devices: seventeen addresses, as through a proxy, twenty tries each.
    const strange = new Map();
    for (let n = 0; n < ADDRESSES * 20; n++) {
      const headers = { 'content-type': 'application/json', 'x-forwarded-for': `10.1.2.${n % ADDRESSES}` };
      const body = JSON.stringify({ personId: 1, pin: String(100000 + n) });
      const { status } = await fetch(`${server.url}/api/session`, { method: 'POST', headers, body });
      strange.set(status, (strange.get(status) ?? 0) + 1);
    }
    // One that was let in: as fast as it can, for ten seconds, twelve at once.
    const inside = deviceAt(() => demo.url);
    const { people } = await inside.read('/api/sign-in-options');
    const lead = people.find(({ role }) => role === 'lead');
    const within = new Map();
    const until = Date.now() + 10_000;
    let n = 0;
    const guess = async () => {
      while (Date.now() < until) {
        const pin = String(200000 + n++);
        const { status } = await inside.ask('POST', '/api/session', { body: { personId: lead.id, pin } });
        within.set(status, (within.get(status) ?? 0) + 1);
      }
    };
    await Promise.all(Array.from({ length: 12 }, guess));
    return { strange, within, left: pinsLeft() };
  } finally {
    await server.kill();
    await demo.kill();
    postgres.stop();
  }
}

/** PINs of six figures that are taken. */
function pinsLeft() {
  let left = 0;
  for (let pin = 0; pin < 1_000_000; pin++) if (weaknessOfPin(String(pin).padStart(6, '0')) === null) left++;
  return left;
}

const said = (answers) => [...answers].map(([status, times]) => `${status} × ${times}`).join(', ');

export async function sayGuessing() {
  const { strange, within, left } = await guessingDrill();
  const [hour, month] = [triesWithin(HOUR_S), triesWithin(MONTH_S)];
  console.log(`\nguessing a lead’s PIN
  from devices that were not let in, ${ADDRESSES} addresses: ${said(strange)} (401 to 429: none of them was compared with a PIN)
  from one that was let in, twelve at once for ten seconds: ${said(within)}
  by the rule at most ${hour} tries in an hour and ${month} in a month on one device, of ${left.toLocaleString('en')} PINs: in a month one in ${Math.round(left / month).toLocaleString('en')}`);
}
