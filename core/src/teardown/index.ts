export {
  changeThing,
  EMPTY_LEDGER,
  markThings,
  takeOff,
  takeOffAgain,
  type Fasteners,
  type Ledger,
  type Mark,
  type Thing,
  type ThingFacts,
  type ThingState,
} from './ledger';
export { learntOrder } from './learntOrder';
export { nextPlace } from './nextPlace';
