export { FindScreen } from './FindScreen';
export { LearnedScreen } from './LearnedScreen';
export { ReadingEntry } from './ReadingEntry';
export { sayFault, sayOutcome } from './say';
export { useWorkplace as useBench } from './useWorkplace';
