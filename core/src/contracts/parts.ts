import type { InferType } from 'yup';
import type { Frozen } from '../fields/frozen';
import { partLine } from './card';
import { array, boolean, id, name, number, object, reasonText, string, trimmed } from '../fields';
import { partNumber } from '../log/schemas';
import { EXCHANGE_STATES, ORDER_STATES } from '../states';

const part = object({
  number: string().required(),
  name: string().required(),
  cents: number().required(),
  place: string().defined(),
  kind: string().oneOf(['piece', 'kit']).required(),
  onHand: number().required(),
  reserved: number().required(),
  reorderAt: number().required(),
  formerly: array(string().required()).required(),
  /** What was paid for it last; null: nobody wrote it down. */
  paid: object({ cents: number().required(), at: string().required() }).nullable().defined(),
  pieces: array(
    object({
      number: string().required(),
      name: string().required(),
      count: number().required(),
      cents: number().required(),
    }).required(),
  ).required(),
});
export type Part = Frozen<InferType<typeof part>>;
export const partsQuery = object({ find: trimmed.max(80).default('') });
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
export type PartsReply = Frozen<InferType<typeof parts>>;
export const newPart = object({
  number: partNumber.required(),
  name: name.required(),
  cents: number().integer().min(0).max(10_000_000).required(),
  place: trimmed.max(40).default(''),
  count: number().integer().min(0).max(10_000).default(0),
});
export const stockChange = object({
  count: number().integer().min(0).max(10_000).required(),
  why: reasonText.required(),
});

/** What to order for the shelf. */
export const reorder = object({
  lines: array(
    object({
      number: string().required(),
      name: string().required(),
      /** On the shelf, and promised to nobody; below 0 where cards wait for it. */
      free: number().required(),
      orderBelow: number().required(),
      order: number().required(),
      cents: number().required(),
      usedPerMonth: number().required(),
      leadDays: number().required(),
      /** Service that takes it. */
      ahead: array(
        object({ tag: string().required(), item: string().required(), inDays: number().required() }).required(),
      ).required(),
    }).required(),
  ).required(),
  cents: number().required(),
});
export type ReorderReply = Frozen<InferType<typeof reorder>>;

export const newOrder = object({ id: id.required(), lines: array(id.required()).min(1).max(50).required() });
export const order = object({
  id: string().required(),
  state: string().oneOf(ORDER_STATES).required(),
  supplierRef: string().nullable().defined(),
  placedAt: string().nullable().defined(),
  expectedAt: string().nullable().defined(),
  late: boolean().required(),
  problem: string().nullable().defined(),
  tries: number().required(),
  /** When the supplier was asked about it last. */
  askedAt: string().nullable().defined(),
  lines: array(partLine.required()).required(),
  cents: number().required(),
});
export type OrderLine = Frozen<InferType<typeof order>>;
export const orders = object({
  orders: array(order.required()).required(),
  /** When the supplier answered last, and what went wrong since, if anything. */
  supplier: object({ answeredAt: string().nullable().defined(), problem: string().nullable().defined() }).required(),
});
export type OrdersReply = Frozen<InferType<typeof orders>>;

export const quote = object({
  asked: string().required(),
  number: string().required(),
  through: array(string().required()).required(),
  name: string().nullable().defined(),
  obtainable: boolean().required(),
  cents: number().nullable().defined(),
  leadDays: number().nullable().defined(),
  problem: string().nullable().defined(),
  /** When the supplier was asked, and when it answered; while it has not, the rest is what it said before. */
  askedAt: string().nullable().defined(),
  answeredAt: string().nullable().defined(),
});
export type Quote = Frozen<InferType<typeof quote>>;

const exchangePart = object({
  id: string().required(),
  name: string().required(),
  number: string().nullable().defined(),
  state: string().oneOf(EXCHANGE_STATES).required(),
  origin: string().required(),
  place: string().defined(),
  at: string().required(),
});
export const exchangeParts = object({ parts: array(exchangePart.required()).required() });
export type ExchangePart = Frozen<InferType<typeof exchangePart>>;
export const exchangeChange = object({ state: string().oneOf(EXCHANGE_STATES).required() });
