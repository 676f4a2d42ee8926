import { stateTable } from './stateTable';

export const EXCHANGE_STATES = ['as-taken', 'cleaned', 'proven', 'fitted', 'scrapped'] as const;
export type ExchangeState = (typeof EXCHANGE_STATES)[number];

/**
 * A part that was taken off and kept: cleaned, proven, then fitted; scrapped at any point before. The action is the state that it comes to.
 */
export const EXCHANGE_PART = stateTable<ExchangeState, ExchangeState>({
  'as-taken': { cleaned: 'cleaned', scrapped: 'scrapped' },
  cleaned: { proven: 'proven', scrapped: 'scrapped' },
  proven: { fitted: 'fitted', scrapped: 'scrapped' },
  fitted: {},
  scrapped: {},
});
