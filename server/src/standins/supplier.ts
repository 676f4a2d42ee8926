import { createHash } from 'node:crypto';
import express, { type Express } from 'express';

export interface SupplierManners {
  /** How long a day of delivery lasts here. */
  readonly dayMs: number;
  /** Of a hundred requests, so many fail. */
  readonly failsOf100: number;
  /** The time, for the tests. */
  readonly now: () => number;
}

interface Article {
  readonly number: string;
  readonly name: string;
  readonly cents: number;
  readonly leadDays: number;
  readonly supersededBy?: string;
  readonly obtainable?: boolean;
}

/** What the simulated supplier carries; besides these it has whatever is well-formed, at a price and in a time of its own making. */
const ARTICLES: readonly Article[] = [
  { number: 'TV-1180', name: 'Carburettor gasket set', cents: 640, leadDays: 2, supersededBy: 'TV-1180A' },
  { number: 'TV-1180A', name: 'Carburettor gasket set', cents: 720, leadDays: 2, supersededBy: 'TV-1182' },
  { number: 'TV-1182', name: 'Carburettor gasket set, with spacer', cents: 790, leadDays: 3 },
  { number: 'TV-2040', name: 'Carburettor, complete', cents: 5400, leadDays: 4 },
  { number: 'TV-2041', name: 'Carburettor, complete, old pattern', cents: 0, leadDays: 0, obtainable: false },
  { number: 'ORM-77', name: 'Ring set, standard', cents: 2900, leadDays: 9 },
];

interface Order {
  readonly order: string;
  readonly lines: readonly { readonly number: string; readonly count: number; readonly cents: number }[];
  readonly promisedAt: number;
  /** Some come later than was promised. */
  readonly comesAt: number;
}

const roll = (text: string): number => createHash('sha256').update(text).digest().readUInt32BE(0);

/**
 * The simulated supplier: a small HTTP service with lead times, prices, superseded and unobtainable numbers, and now and then a failure.
 * It keeps its orders in memory, by their key: the same key gives the same order, also after it was started anew.
 */
export function supplierStandIn({ dayMs, failsOf100, now }: SupplierManners): Express {
  const app = express();
  const orders = new Map<string, Order>();
  let asked = 0;
  app.use(express.json());
  app.use((request, response, next) => {
    asked++;
    const luck = roll(`${asked} ${request.path}`) % 100;
    if (luck >= failsOf100) return next();
    // A third each: down, lying, silent.
    if (luck % 3 === 0) return void response.status(503).json({ why: 'closed for stock-taking' });
    if (luck % 3 === 1) return void response.type('json').send('{"number": "');
    return void setTimeout(() => response.status(503).end(), 8000);
  });
  app.get('/parts/:number', (request, response) => {
    const article = articleOf(request.params.number);
    if (article === null)
      return void response.status(404).json({ why: 'no such number', number: request.params.number });
    return void response.json({
      number: article.number,
      supersededBy: article.supersededBy ?? null,
      name: article.name,
      obtainable: article.obtainable ?? true,
      cents: article.obtainable === false ? null : article.cents,
      leadDays: article.obtainable === false ? null : article.leadDays,
    });
  });
  app.post('/orders', (request, response) => {
    const key = String(request.get('idempotency-key') ?? '');
    const asked: readonly { number?: unknown; count?: unknown }[] = request.body?.lines ?? [];
    const wanted = asked.map((line) => ({ number: String(line.number), count: Number(line.count) }));
    if (key === '' || wanted.length === 0) return void response.status(400).json({ why: 'a key and lines are wanted' });
    const before = orders.get(key);
    if (before) return void response.json(said(before, now()));
    for (const { number } of wanted) {
      const article = articleOf(number);
      if (article === null || article.obtainable === false)
        return void response.status(409).json({ why: 'not to be had', number });
    }
    const lines = wanted.map(({ number, count }) => ({ number, count, cents: articleOf(number)?.cents ?? 0 }));
    const days = Math.max(...lines.map((line) => articleOf(line.number)?.leadDays ?? 0));
    const isLate = roll(`late ${key}`) % 3 === 0;
    const order = {
      order: `S-${roll(key) % 1_000_000}`,
      lines,
      promisedAt: now() + days * dayMs,
      comesAt: now() + (days + (isLate ? 2 : 0)) * dayMs,
    };
    orders.set(key, order);
    return void response.status(201).json(said(order, now()));
  });
  app.get('/orders/:order', (request, response) => {
    const order = [...orders.values()].find((entry) => entry.order === request.params.order);
    return order ? void response.json(said(order, now())) : void response.status(404).json({ why: 'no such order' });
  });
  return app;
}

function said(order: Order, now: number) {
  const state = now >= order.comesAt ? 'sent' : now > order.promisedAt ? 'late' : 'placed';
  return {
    order: order.order,
    state,
    expectedAt: new Date(state === 'placed' ? order.promisedAt : order.comesAt).toISOString(),
    lines: order.lines,
  };
}

function articleOf(number: string): Article | null {
  const known = ARTICLES.find((article) => article.number === number);
  if (known) return known;
  if (!/^[A-Z]{2,5}-\d{2,6}[A-Z]?$/.test(number)) return null;
  const luck = roll(number);
  return { number, name: `Part ${number}`, cents: 250 + (luck % 6000), leadDays: 1 + (luck % 6) };
}
