export { ethanolIn, litresOf, pour, stateOf, take, type Blend, type BlendState, type Portion } from './blend';
export { eventsOfLayUp, mayStayIn, pouredAtLayUp, type LayUpFuel } from './ofLayUp';
export { passportOf, type Bowl, type FuelEvent, type Passport } from './passport';
export { antifreezeFor, residualInBowl, waterBeforeParting } from './measures';
