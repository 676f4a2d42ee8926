export { ServiceOfUnit } from './ServiceOfUnit';
