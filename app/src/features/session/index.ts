export { FirstLead } from './FirstLead';
export { SessionGate } from './useSession';
