export { askedFor, type OwnCases, type Trouble, type YardFigures } from './askedFor';
export { sayFlip, type FlipSaid, type FlipWording } from './sayFlip';
