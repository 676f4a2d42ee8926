export { FuelLine } from './FuelLine';
export { FuelOfUnit } from './FuelOfUnit';
export { fuelName, sayDose, sayFuelState } from './sayFuelOf';
