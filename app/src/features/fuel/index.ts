export { FuelLine } from './FuelLine';
export { FuelOfUnit } from './FuelOfUnit';
export { fuelName, sayFuelState, sayLitres } from './sayFuelOf';
