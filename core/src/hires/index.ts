export {
  assignHires,
  canTake,
  helpFor,
  type ClassHire,
  type ClassUnit,
  type Given,
  type Help,
  type OwnHire,
} from './assignHires';
