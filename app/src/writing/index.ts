export { WritingGate } from './WritingGate';
export {
  instantOf,
  sayAgo,
  sayAs,
  sayDay,
  sayFigure,
  sayFuel,
  sayHours,
  sayMinutes,
  sayMoney,
  sayTime,
  sayFull,
  sayValue,
} from './writing';
