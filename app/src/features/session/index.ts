export { FirstLead } from './FirstLead';
export { SessionGate, usePerson } from './useSession';
