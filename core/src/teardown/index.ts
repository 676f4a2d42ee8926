export {
  ledgerOf,
  type Fasteners,
  type Ledger,
  type LedgerEntry,
  type Mark,
  type OffFacts,
  type Thing,
} from './ledgerOf';
export { learntOrder } from './learntOrder';
export { nextPlace } from './nextPlace';
