export { asLooked, exceptionOf, placeInLimit, type Answer, type Origin } from './answers';
export {
  judge,
  type JudgeInput,
  type MissingKit,
  type RaisedJob,
  type Reason,
  type Verdict,
  type VerdictResult,
} from './judge';
export {
  judgeCheckIn,
  kitAtPrices,
  kitThatWent,
  presentKit,
  type Entered,
  type Known,
  type Rules,
} from './judgeCheckIn';
export { leastSeconds, wasHurried } from './walk';
