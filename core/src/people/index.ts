export { triesWithin, waitAfterWrong } from './guessing';
export { PIN_LENGTH, sayWeakness, weaknessOfPin } from './pin';
