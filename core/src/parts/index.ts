export {
  checkSupersessions,
  todaysNumber,
  type Supersession,
  type SupersessionProblem,
  type Today,
} from './todaysNumber';
/** What a number of our own begins with, of a part whose number nobody knows yet. */
export const UNKNOWN_NUMBER = 'UNKNOWN-';
export const isUnknownNumber = (number: string): boolean => number.startsWith(UNKNOWN_NUMBER);

export { kitOrPieces, type KitChoice } from './kitOrPieces';
export { stockFor, type PartDemand, type Stock } from './stockFor';
