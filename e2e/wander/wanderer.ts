import type { BrowserContext, ConsoleMessage, Page, Response } from '@playwright/test';
import seedrandom from 'seedrandom';
import { signInAgain, type PersonName } from '../yard';
import { brokenRules, fetching, tooSmall, wrongWith } from './looks';

/** Something that must not be. */
export interface Found {
  readonly what: string;
  readonly path: string;
  /** The last steps, the newest last. */
  readonly steps: readonly string[];
}

/** What a walk saw that may only become less: by where, and what. */
export interface Walked {
  readonly found: readonly Found[];
  readonly steps: number;
  readonly places: ReadonlySet<string>;
  readonly small: ReadonlySet<string>;
  readonly rules: ReadonlySet<string>;
  readonly papers: number;
}

const PEOPLE: readonly PersonName[] = ['Runa Veldt', 'Ivo Tarnwell', 'Maren Askild', 'Pell Quist', 'Lise Borrowby'];
const PLACES = [
  ...['/', '/yard', '/check-in', '/bench', '/more', '/settings', '/people', '/hires', '/service', '/fuel', '/lay-up'],
  ...['/exchange', '/add-unit', '/find', '/learned', '/numbers', '/numbers/duty-cycle', '/torque', '/models/1'],
  ...['/open-gap', '/parts', '/returns', '/waiting', '/access', '/status', '/set-up', '/hours', '/free'],
  ...['/u/GE-03', '/u/GE-07', '/u/PW-04', '/u/SN-06', '/u/LS-05', '/u/WE-02', '/u/TI-03', '/u/GE-03/label'],
  ...['/u/GE-02/check-in', '/u/PW-04/check-out', '/u/GE-07/find', '/no-such-place', '/u/XX-99'],
];
const ODD = [
  ...['', '  ', '0', '-1', '1e9', '12,5', '5/16', '=1+1', '\u200B', '<b>x</b>', '31.12.2030', '🔧', '٣'],
  ...['7', '12', '100.5', '250', 'Hose chafed through at the clamp', 'GE-03', '4711', 'x'.repeat(300)],
];
const TAPPABLE = [
  ...['[role=button]:not([aria-disabled=true])', 'button:not([disabled])', 'a[href]', '[role=link]', '[role=tab]'],
  ...['[role=checkbox]', '[role=radio]', '[role=switch]'],
].join(',');
const LONGEST_FETCH_MS = 10_000;
/** So often what takes a second is looked at: axe, and the papers that a page leads to. */
const EACH = 7;
/** Said by the browser of what a server refuses, or of a line that is cut: both are ordinary here. */
const ORDINARY = /^Failed to load resource|net::ERR_|WebSocket|\[Intervention\]/;

/** Where a page is, without which unit or job it is about. */
const placeOf = (url: string): string =>
  new URL(url).pathname.replaceAll(/\/[0-9a-f]{8}-[0-9a-f-]+|\/\d+(?=\/|$)/g, '/#').replaceAll(/[A-Z]{2}-\d+/g, 'TAG');

/** A page that went elsewhere meanwhile shows nothing; any other failure is the look's own. */
function noneIfGone(error: unknown): string[] {
  if (error instanceof Error && /context was destroyed|navigat|frame was detached/i.test(error.message)) return [];
  throw error;
}

/** Somebody who goes anywhere and taps anything, by chance; the same seed chooses the same way. */
export class Wanderer {
  readonly #random: seedrandom.PRNG;
  readonly #steps: string[] = [];
  readonly #noticed: string[] = [];
  readonly #seen = { places: new Set<string>(), small: new Set<string>(), rules: new Set<string>() };
  readonly #papers = new Set<string>();
  #isOffline = false;
  #papersSeen = 0;

  constructor(
    private readonly page: Page,
    private readonly context: BrowserContext,
    private readonly base: string,
    seed: string,
    private readonly size: { readonly width: number; readonly height: number },
  ) {
    this.#random = seedrandom(seed);
    page.on('pageerror', (error) => this.#noticed.push(`an error of the page: ${error.message}`));
    page.on('console', (message) => this.#hear(message));
    page.on('response', (response) => this.#answered(response));
    page.on('dialog', (dialog) => void dialog.accept().catch(() => undefined));
  }

  /** Papers would open beside the page: they are read here instead, and the page goes on. */
  #prepare(): Promise<unknown> {
    return this.context.addInitScript(() => {
      // What puts this file together names functions by a helper, which the page has not got.
      Reflect.set(globalThis, '__name', (it: unknown) => it);
      window.open = (url) => {
        console.debug(`paper ${String(url)}`);
        return null;
      };
    });
  }

  #hear(message: ConsoleMessage): void {
    const paper = /^paper (.*)$/.exec(message.text())?.[1];
    if (paper !== undefined) this.#papers.add(new URL(paper, this.base).href);
    if (message.type() === 'error' && !ORDINARY.test(message.text()))
      this.#noticed.push(`an error in the console: ${message.text().slice(0, 300)}`);
  }

  #answered(response: Response): void {
    if (response.status() >= 500)
      this.#noticed.push(`${response.status()} from ${response.request().method()} ${response.url()}`);
  }

  #pick<T>(from: readonly T[]): T | undefined {
    return from[Math.floor(this.#random() * from.length)];
  }

  /** Goes on until then; what is wrong is noted on the way. */
  async walk(untilMs: number): Promise<Walked> {
    await this.#prepare();
    await this.#signIn('Runa Veldt');
    const found = new Map<string, Found>();
    while (Date.now() < untilMs) {
      const wrong = await this.#step();
      // The same at the same place is one, however often.
      if (wrong !== null) found.set(`${placeOf(wrong.path)} ${wrong.what}`, wrong);
    }
    if (this.#isOffline) await this.context.setOffline(false);
    return { found: [...found.values()], steps: this.#steps.length, ...this.#seen, papers: this.#papersSeen };
  }

  async #step(): Promise<Found | null> {
    const act = this.#choose();
    try {
      this.#steps.push(await act());
    } catch (error) {
      // What was chosen went away, or lies under something else: so it does for anybody.
      this.#steps.push(`(not done: ${error instanceof Error ? error.message.split('\n')[0] : String(error)})`);
    }
    await this.#settle();
    const wrong = this.#noticed.shift() ?? (await this.#look());
    return wrong === undefined ? null : { what: wrong, path: this.page.url(), steps: this.#steps.slice(-8) };
  }

  #choose(): () => Promise<string> {
    const chance = this.#random() * 100;
    if (chance < 62) return () => this.#tap();
    if (chance < 74) return () => this.#type();
    if (chance < 83) return () => this.#goTo(this.#pick(PLACES) ?? '/');
    if (chance < 87) return () => this.#back();
    if (chance < 89) return () => this.#reload();
    if (chance < 92) return () => this.#line();
    if (chance < 94) return () => this.#turn();
    if (chance < 96) return () => this.#key();
    return () => this.#signIn(this.#pick(PEOPLE) ?? 'Runa Veldt');
  }

  /** On what lies on top. */
  async #all(what: string) {
    const sheets = this.page.locator('[aria-modal=true]');
    const count = await sheets.count();
    const within = count > 0 ? sheets.nth(count - 1) : this.page.locator('body');
    return (await within.locator(what).all()).slice(0, 300);
  }

  async #tap(): Promise<string> {
    const one = this.#pick(await this.#all(TAPPABLE));
    if (one === undefined) return this.#goTo('/');
    const words = ((await one.getAttribute('aria-label')) ?? (await one.innerText()))
      .replaceAll('\n', ' ')
      .slice(0, 60);
    const href = await one.getAttribute('href');
    if (href?.startsWith('/api/')) {
      this.#papers.add(this.base + href);
      return `saw the paper ${href}`;
    }
    await one.click({ timeout: 1500, noWaitAfter: true });
    return `tapped “${words}”`;
  }

  async #type(): Promise<string> {
    const field = this.#pick(await this.#all('input:not([type=file]),textarea'));
    if (field === undefined) return this.#tap();
    const text = this.#pick(ODD) ?? '';
    await field.fill(text, { timeout: 1500 });
    return `typed ${JSON.stringify(text.slice(0, 40))}`;
  }

  async #goTo(path: string): Promise<string> {
    if (this.#isOffline) await this.#line();
    await this.page.goto(this.base + path, { waitUntil: 'domcontentloaded', timeout: 15_000 });
    return `went to ${path}`;
  }

  async #back(): Promise<string> {
    await this.page.goBack({ waitUntil: 'commit', timeout: 5000 });
    return 'went back';
  }

  async #reload(): Promise<string> {
    if (this.#isOffline) await this.#line();
    await this.page.reload({ waitUntil: 'domcontentloaded', timeout: 15_000 });
    return 'loaded it anew';
  }

  async #line(): Promise<string> {
    this.#isOffline = !this.#isOffline;
    await this.context.setOffline(this.#isOffline);
    return this.#isOffline ? 'lost the connection' : 'got the connection back';
  }

  async #turn(): Promise<string> {
    const { width, height } = this.page.viewportSize() ?? this.size;
    await this.page.setViewportSize({ width: height, height: width });
    return width < height ? 'turned it on its side' : 'turned it back';
  }

  async #key(): Promise<string> {
    const key = this.#pick(['Escape', 'Tab', 'Enter', 'ArrowDown', 'ArrowRight', '/']) ?? 'Tab';
    await this.page.keyboard.press(key);
    return `pushed ${key}`;
  }

  async #signIn(name: PersonName): Promise<string> {
    if (this.#isOffline) await this.#line();
    await signInAgain(this.context, this.base, name);
    await this.page.goto(this.base, { waitUntil: 'domcontentloaded', timeout: 15_000 });
    return `is ${name}`;
  }

  /** Until nothing is fetched any more; what is fetched for too long is wrong. */
  async #settle(): Promise<void> {
    await this.page.waitForTimeout(120);
    const began = Date.now();
    while (!this.#isOffline && (await fetching(this.page).catch(noneIfGone)).length > 0) {
      if (Date.now() - began > LONGEST_FETCH_MS) {
        this.#noticed.push(`fetches for over 10 s: ${(await fetching(this.page)).join()}`);
        return;
      }
      await this.page.waitForTimeout(100);
    }
  }

  async #look(): Promise<string | undefined> {
    // A page that is on its way to another has nothing to look at yet.
    const wrong = await this.#twice(() => wrongWith(this.page));
    if (wrong.length > 0) return wrong.join('; ');
    const place = placeOf(this.page.url());
    this.#seen.places.add(place);
    for (const small of await tooSmall(this.page).catch(noneIfGone)) this.#seen.small.add(`${place}: ${small}`);
    if (this.#steps.length % EACH !== 0 || this.#isOffline) return undefined;
    for (const rule of await brokenRules(this.page).catch(noneIfGone)) this.#seen.rules.add(`${place}: ${rule}`);
    return this.#readPapers();
  }

  /** What is wrong now and still a moment later: what passes by is not. */
  async #twice(look: () => Promise<string[]>): Promise<string[]> {
    if ((await look().catch(noneIfGone)).length === 0) return [];
    await this.page.waitForTimeout(1500);
    return look().catch(noneIfGone);
  }

  async #readPapers(): Promise<string | undefined> {
    for (const url of this.#papers) {
      this.#papers.delete(url);
      if (!url.startsWith(`${this.base}/api/`)) continue;
      const answer = await this.context.request.get(url, { timeout: 30_000 });
      if (answer.status() === 401 || answer.status() === 403 || answer.status() === 404) continue;
      const [bytes, type] = [await answer.body(), answer.headers()['content-type'] ?? ''];
      const isPaper = type.startsWith('application/pdf')
        ? bytes.subarray(0, 5).toString() === '%PDF-'
        : bytes.length > 0;
      if (!answer.ok() || !isPaper) return `no paper: ${answer.status()} ${type}, ${bytes.length} bytes, from ${url}`;
      this.#papersSeen++;
    }
    return undefined;
  }
}
