import { string } from 'yup';
import { ANYONE_SIGNED_IN, WORKS_ON_UNITS, SIGNS_OFF } from '../../fields';
import * as parts from '../parts';
import { operation } from './operation';

/** Parts, orders and exchange parts. */
export const PARTS_OPERATIONS = {
  parts: operation('parts', {
    summary: 'Parts, by any number they ever had or by name',
    who: ANYONE_SIGNED_IN,
    query: parts.partsQuery,
    reply: parts.parts,
  }),
  reorder: operation('reorder', {
    summary: 'What to order for the shelf: by repairs, by the service ahead, by how long an order takes',
    who: ANYONE_SIGNED_IN,
    reply: parts.reorder,
  }),
  exportReorder: operation('exportReorder', {
    summary: 'What to order for the shelf, as CSV',
    who: ANYONE_SIGNED_IN,
    reply: string(),
  }),
  addPart: operation('addPart', {
    summary: 'Add a part',
    who: SIGNS_OFF,
    body: parts.newPart,
    reply: parts.parts,
    status: 201,
  }),
  countPart: operation('countPart', {
    summary: 'What was counted on the shelf',
    who: SIGNS_OFF,
    body: parts.stockChange,
    reply: parts.parts,
  }),
  quotePart: operation('quotePart', {
    summary: 'What the supplier said of a part last, and when',
    who: WORKS_ON_UNITS,
    reply: parts.quote,
  }),
  askQuote: operation('askQuote', {
    summary: 'Ask the supplier about a part: in the background, the answer is read by the same address',
    who: WORKS_ON_UNITS,
    reply: parts.quote,
    status: 202,
  }),
  orders: operation('orders', {
    summary: 'Orders to the supplier',
    who: ANYONE_SIGNED_IN,
    reply: parts.orders,
  }),
  addOrder: operation('addOrder', {
    summary: 'Order what cards want',
    who: SIGNS_OFF,
    body: parts.newOrder,
    reply: parts.order,
    status: 201,
  }),
  sendOrder: operation('sendOrder', {
    summary: 'Ask the supplier about an order now: sent again, or asked how it stands',
    who: SIGNS_OFF,
    reply: parts.order,
    status: 202,
  }),
  receiveOrder: operation('receiveOrder', {
    summary: 'It has arrived',
    who: WORKS_ON_UNITS,
    reply: parts.order,
  }),
  exchangeParts: operation('exchangeParts', {
    summary: 'Parts taken off, cleaned and proven',
    who: ANYONE_SIGNED_IN,
    reply: parts.exchangeParts,
  }),
  changeExchangePart: operation('changeExchangePart', {
    summary: 'Cleaned, proven, fitted or scrapped',
    who: WORKS_ON_UNITS,
    body: parts.exchangeChange,
    reply: parts.exchangeParts,
  }),
} as const;
