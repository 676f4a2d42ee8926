export { ServiceOfUnit } from './ServiceOfUnit';
export { ServiceOnHire } from './ServiceOnHire';
export { Severity } from './Severity';
