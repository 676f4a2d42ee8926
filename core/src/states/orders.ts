import { stateTable } from './stateTable';

export const ORDER_STATES = ['sending', 'placed', 'arrived', 'failed'] as const;
export type OrderState = (typeof ORDER_STATES)[number];

/** An order at the supplier: kept first, then sent until the supplier has taken or refused it; received once. */
export const ORDER = stateTable<OrderState, 'confirm' | 'refuse' | 'receive'>({
  sending: { confirm: 'placed', refuse: 'failed' },
  // Asked again how it stands, it is confirmed again.
  placed: { confirm: 'placed', receive: 'arrived' },
  arrived: {},
  failed: {},
});

/** The supplier has still to be asked about it. */
export const ORDERS_UNDER_WAY: readonly OrderState[] = ['sending', 'placed'];
