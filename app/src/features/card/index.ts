export { CardScreen } from './CardScreen';
export { ProofScreen } from './ProofScreen';
export { PutBackScreen } from './PutBackScreen';
export { QuoteWords, sayOrderProblem } from './PartsOfCard';
export { STATE_WORD } from './say';
export { WaysScreen } from './WaysScreen';
