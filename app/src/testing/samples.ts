import { sampleJob } from '@hudrik/core/contracts/samples';
import {
  EMPTY_SHEET,
  type Defect,
  type OrderLine,
  type Part,
  type PartLine,
  type UnitPage,
  type UnitSheet,
  type WaysReply,
} from '@hudrik/core/contracts';

/** Lines as the server gives them. For tests. */
export { sampleJob as jobLine } from '@hudrik/core/contracts/samples';

export const partLine = (more: Partial<PartLine> = {}): PartLine => ({
  id: 'line-1',
  jobId: '7',
  tag: 'GE-07',
  asked: 'TV-1182',
  number: 'TV-1182',
  name: 'Gasket set',
  count: 1,
  cents: 790,
  state: 'wanted',
  place: 'Shelf 3',
  orderId: null,
  expectedAt: null,
  late: false,
  inStock: 0,
  ...more,
});

export const part = (number: string, more: Partial<Part> = {}): Part => ({
  number,
  name: `Part ${number}`,
  cents: 500,
  place: 'Shelf 1',
  kind: 'piece',
  onHand: 3,
  reserved: 0,
  reorderAt: 0,
  formerly: [],
  paid: null,
  pieces: [],
  ...more,
});

export const order = (more: Partial<OrderLine> = {}): OrderLine => ({
  id: 'order-1',
  state: 'placed',
  supplierRef: 'S-1',
  placedAt: '2030-03-04T09:00:00Z',
  expectedAt: '2030-03-07T09:00:00Z',
  late: false,
  problem: null,
  tries: 1,
  askedAt: '2030-03-04T09:00:00Z',
  lines: [partLine({ state: 'ordered' })],
  cents: 790,
  ...more,
});

const TITLES = {
  find: 'Find the fault first',
  mend: 'Clear the main jet',
  replace: 'Replace the carburettor',
  'swap-engine': 'Another engine',
  retire: 'Let it go',
} as const;
const way = (id: WaysReply['ways'][number]['way'], costCents: number): WaysReply['ways'][number] => ({
  way: id,
  title: TITLES[id],
  lowCents: costCents - 5000,
  highCents: costCents + 7000,
  wrongCents: 0,
  openCents: 0,
  handsCents: 1000,
  partsCents: 200,
  daysCents: 0,
  riskCents: 0,
  comebackCents: 50,
  failCents: 0,
  valueCents: 1250 - costCents,
  costCents,
});
export const wayOf = way;
export const ways = (more: Partial<WaysReply> = {}): WaysReply => ({
  ways: [way('mend', -90_000), way('replace', -70_000), way('retire', 20_000)],
  flips: [{ input: 'holds', now: 0.85, at: 0.61, way: 'replace', title: 'Replace the carburettor' }],
  basis: [{ name: 'A day’s hire', value: 8500, unit: 'cents', whence: 'Our judgement.' }],
  causes: ['main-jet-blocked'],
  notLookedAt: [],
  given: {},
  notToBeHad: [],
  ...more,
});

/** A unit's page with this wrong with it. */
export const pageWith = (defects: readonly Defect[], jobs = [sampleJob()]): UnitPage => ({
  unit: {
    tag: 'GE-07',
    classId: 'generator',
    model: { make: 'Tuvellan', name: 'Lantern 5' },
    serial: 'S-7',
    homeBay: 'North 1',
    verdict: { readiness: 'held', because: defects.map((one) => one.sentence) },
    readySince: '2030-03-04T09:00:00Z',
    trueHours: 123.4,
    hoursToOilService: 20,
    oilServiceEvery: 50,
    nextHire: null,
    version: 3,
  },
  ratings: { model: { hertz: 50 }, unit: {} },
  fuel: { litres: 20, holds: 20, seenAt: '2030-03-04T08:00:00Z', ranSince: false },
  meter: { reading: 123.4, offsetHours: 0, readAt: '2030-03-04T09:00:00Z' },
  hire: null,
  hires: [],
  jobs,
  defects,
  reasons: [],
  unproved: null,
  toConfirm: [],
  notFitted: [],
  use: { hoursPerDay: 4, in30Days: { low: 20, high: 60, expected: 40 } },
  readings: [],
});

export const unitSheet = (more: Partial<UnitSheet> = {}): UnitSheet => ({
  tag: 'GE-07',
  classId: 'generator',
  model: { id: 7, make: 'Tuvellan', name: 'Lantern 5000' },
  dataSheet: EMPTY_SHEET,
  rated: {},
  notes: [],
  measured: [],
  ...more,
});
