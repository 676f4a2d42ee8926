export { CLOCK, CLOCK_STATES, type ClockState } from './clocks';
export { EXCHANGE_PART, EXCHANGE_STATES, type ExchangeState } from './exchangeParts';
export { HIRE, HIRE_STATES, HIRES_GOING_ON, HIRES_PROMISED, type HireState } from './hires';
export { ORDER, ORDER_STATES, ORDERS_UNDER_WAY, type OrderState } from './orders';
export {
  MISSING_LINES,
  PART_LINE,
  PART_LINE_ACTIONS,
  PART_LINE_STATES,
  PROMISED_LINES,
  VOID_LINES,
  type PartLineAction,
  type PartLineState,
} from './partLines';
export { stateTable, type StateRefusal, type StateTable } from './stateTable';
