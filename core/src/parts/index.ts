export {
  checkSupersessions,
  todaysNumber,
  type Supersession,
  type SupersessionProblem,
  type Today,
} from './todaysNumber';
export { kitOrPieces, type KitChoice } from './kitOrPieces';
export { reorderPoint } from './reorderPoint';
