export { FuelLine } from './FuelLine';
export { FuelOfUnit } from './FuelOfUnit';
export { FuelScale } from './FuelScale';
export { fuelName, sayDose, sayFuelState, sayLevel } from './sayFuelOf';
