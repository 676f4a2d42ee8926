import { spawn } from 'node:child_process';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { chromiumPath } from '../install.mjs';
import { freePort } from '../postgres.mjs';
import { pause, until } from './device.mjs';

/** Hundreds wait in the end, on one unit's page, which is drawn anew after each. */
const SENDING_MS = 900_000;

/** Somebody who writes notes in a real browser, which is killed under their hands and opened again. */
export async function browserWriter(place, tag, data, random) {
  const profile = path.join(data, 'browser');
  const kept = [];
  let child = null;
  let n = 0;
  let isWriting = false;

  const open = async () => {
    const port = await freePort();
    const own = spawn(
      chromiumPath(),
      [
        ...['--headless=new', '--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'],
        ...[`--user-data-dir=${profile}`, `--remote-debugging-port=${port}`, '--window-size=390,844', 'about:blank'],
      ],
      { stdio: 'ignore', detached: true },
    );
    child = own;
    const there = await until(async () => (await fetch(`http://127.0.0.1:${port}/json/version`)).ok, 15_000);
    if (there === null) throw new Error('the browser did not come up');
    const browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`);
    const page = browser.contexts()[0].pages()[0] ?? (await browser.contexts()[0].newPage());
    page.setDefaultTimeout(10_000);
    return page;
  };
  const kill = async () => {
    const own = child;
    child = null;
    isWriting = false;
    if (own === null || own.exitCode !== null || own.signalCode !== null) return;
    const ended = new Promise((resolve) => own.once('exit', resolve));
    // All its processes at once, as when a battery comes loose.
    process.kill(-own.pid, 'SIGKILL');
    await ended;
  };
  const signIn = async (page) => {
    await page.goto(`${place.url}/u/${tag}`);
    const name = page.getByRole('button', { name: /Ivo Tarnwell/ });
    await name
      .or(page.getByRole('button', { name: 'Write a note' }))
      .first()
      .waitFor();
    if (await name.isVisible()) await name.click();
    await page.getByRole('button', { name: 'Write a note' }).waitFor();
  };
  const write = async (page) => {
    const text = `Browser ${n++}`;
    await page.getByRole('button', { name: 'Write a note' }).click();
    await page.getByRole('dialog').getByRole('textbox').first().fill(text);
    await page.getByRole('dialog').getByRole('button', { name: 'Save the note' }).click();
    await page.getByRole('dialog', { name: 'Write a note' }).waitFor({ state: 'detached' });
    kept.push(text);
    isWriting = true;
    await pause(100 * random());
  };
  return {
    ...{ kept, kill, isWriting: () => isWriting },
    /** Once with the server there, so that the app is kept on the device. */
    prepare: async () => {
      const page = await open();
      await signIn(page);
      await page.evaluate(() => navigator.serviceWorker.ready);
      await pause(2000);
      await kill();
    },
    work: async () => {
      while (!place.isOver) {
        try {
          const page = await open();
          while (
            !(await signIn(page).then(
              () => true,
              () => child === null,
            ))
          )
            await pause(200);
          while (!place.isOver) await write(page);
        } catch {
          // It was killed under its hands: opened again.
          await kill().catch(() => undefined);
        }
      }
    },
    /** At last all is left to be sent. Out: how many entries were not. */
    sendAll: async () => {
      await kill();
      const page = await open();
      await signIn(page);
      const sent = await until(async () => (await page.getByText('not sent yet').count()) === 0, SENDING_MS);
      await pause(1000);
      return sent === null || (await page.getByText('not sent yet').count()) > 0 ? 'some' : 'none';
    },
  };
}
