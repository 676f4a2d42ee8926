import type { OrderLine, Part, PartLine, WaysReply } from '@hudrik/core/contracts';

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

const way = (id: WaysReply['ways'][number]['way'], costCents: number): WaysReply['ways'][number] => ({
  way: id,
  handsCents: 1000,
  partsCents: 200,
  daysCents: 0,
  riskCents: 0,
  comebackCents: 50,
  failCents: 0,
  valueCents: 1250 - costCents,
  costCents,
});
export const ways = (more: Partial<WaysReply> = {}): WaysReply => ({
  ways: [way('mend', -90_000), way('replace', -70_000), way('retire', 20_000)],
  breakEvenSuccess: 0.61,
  notLookedAt: [],
  given: {},
  notToBeHad: [],
  ...more,
});
