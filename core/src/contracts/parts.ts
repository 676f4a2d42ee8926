import type { InferType } from 'yup';
import { partLine } from './card';
import { array, boolean, id, name, number, object, string, words } from './fields';

const partNumber = string()
  .trim()
  .uppercase()
  .matches(/^[A-Z0-9][A-Z0-9.\-/ ]{1,39}$/, 'A part number is 2 to 40 letters, figures, dots, dashes or slashes.');
const count = number().integer().min(1).max(500);

export const part = object({
  number: string().required(),
  name: string().required(),
  cents: number().required(),
  place: string().defined(),
  kind: string().oneOf(['piece', 'kit']).required(),
  onHand: number().required(),
  reserved: number().required(),
  reorderAt: number().required(),
  formerly: array(string().required()).required(),
  pieces: array(
    object({
      number: string().required(),
      name: string().required(),
      count: number().required(),
      cents: number().required(),
    }).required(),
  ).required(),
});
export type Part = InferType<typeof part>;
export const partsQuery = object({ find: string().trim().max(80).default('') });
export const parts = object({
  parts: array(part.required()).required(),
  today: object({
    asked: string().required(),
    number: string().required(),
    through: array(string().required()).required(),
  })
    .nullable()
    .defined(),
});
export type PartsReply = InferType<typeof parts>;
export const newPart = object({
  number: partNumber.required(),
  name: name.required(),
  cents: number().integer().min(0).max(10_000_000).required(),
  place: string().trim().max(40).default(''),
  count: number().integer().min(0).max(10_000).default(0),
});
export const stockChange = object({
  count: number().integer().min(0).max(10_000).required(),
  why: words.min(2).required(),
});

export const askedPart = object({ id: id.required(), number: partNumber.required(), count: count.default(1) });
export const partLines = object({ lines: array(partLine.required()).required() });
export const partDeed = object({ deed: string().oneOf(['use', 'return', 'drop', 'reserve']).required() });

export const newOrder = object({ id: id.required(), lines: array(id.required()).min(1).max(50).required() });
export const order = object({
  id: string().required(),
  state: string().oneOf(['sending', 'placed', 'arrived', 'failed']).required(),
  supplierRef: string().nullable().defined(),
  placedAt: string().nullable().defined(),
  expectedAt: string().nullable().defined(),
  late: boolean().required(),
  problem: string().nullable().defined(),
  tries: number().required(),
  lines: array(partLine.required()).required(),
  cents: number().required(),
});
export type OrderLine = InferType<typeof order>;
export const orders = object({
  orders: array(order.required()).required(),
  supplier: object({ reachable: boolean().required() }).required(),
});
export type OrdersReply = InferType<typeof orders>;

export const quote = object({
  asked: string().required(),
  number: string().required(),
  through: array(string().required()).required(),
  name: string().nullable().defined(),
  obtainable: boolean().required(),
  cents: number().nullable().defined(),
  leadDays: number().nullable().defined(),
  problem: string().nullable().defined(),
});
export type Quote = InferType<typeof quote>;

export const EXCHANGE_STATES = ['as-taken', 'cleaned', 'proven', 'fitted', 'scrapped'] as const;
export const exchangePart = object({
  id: string().required(),
  name: string().required(),
  number: string().nullable().defined(),
  state: string().oneOf(EXCHANGE_STATES).required(),
  origin: string().required(),
  place: string().defined(),
  at: string().required(),
});
export const exchangeParts = object({ parts: array(exchangePart.required()).required() });
export type ExchangePart = InferType<typeof exchangePart>;
export const newExchangePart = object({
  id: id.required(),
  name: name.required(),
  number: partNumber.nullable().default(null),
  jobId: string().required(),
  place: string().trim().max(40).default(''),
});
export const exchangeChange = object({ state: string().oneOf(EXCHANGE_STATES).required() });
