export { ServiceOfUnit } from './ServiceOfUnit';
export { ServiceOnHire } from './ServiceOnHire';
