export { FindScreen } from './FindScreen';
export { LearnedScreen } from './LearnedScreen';
