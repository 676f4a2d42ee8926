export { FindScreen } from './FindScreen';
export { ReadingEntry } from './ReadingEntry';
export { sayOutcome } from './say';
export { useWorkplace } from './useWorkplace';
