export { FindScreen } from './FindScreen';
export { LearnedScreen } from './LearnedScreen';
export { ReadingEntry } from './ReadingEntry';
export { sayOutcome } from './say';
export { useWorkplace } from './useWorkplace';
