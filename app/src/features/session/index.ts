export { SessionGate } from './useSession';
