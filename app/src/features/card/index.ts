export { sayRounded } from './sayWays';
export { CardScreen } from './CardScreen';
export { ProofScreen } from './ProofScreen';
export { PutBackScreen } from './PutBackScreen';
export { sayOrderProblem } from './QuoteWords';
export { JobTools } from './JobTools';
export { STANDING_WORD } from './say';
export { WaysScreen } from './WaysScreen';
