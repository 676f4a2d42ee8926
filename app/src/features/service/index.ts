export { ServiceOfUnit } from './ServiceOfUnit';
export { ServiceOnHire } from './ServiceOnHire';
export { useRaise } from './Together';
