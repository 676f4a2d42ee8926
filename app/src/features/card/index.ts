export { CardScreen } from './CardScreen';
export { ProofScreen } from './ProofScreen';
export { PutBackScreen } from './PutBackScreen';
export { sayOrderProblem } from './QuoteWords';
export { STATE_WORD } from './say';
export { WaysScreen } from './WaysScreen';
