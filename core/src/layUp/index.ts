export { breakEvens, costOf, costsOf, RUSH, type BreakEven } from './costs';
export { BAND_ENDS, bandOf, hasEthanolAs, NO_WAKES, riskBand, riskBefore, riskOf, WAKES_WORTH } from './risk';
export { idleForecast, wrongOfSeasons, type IdleForecast, type Season, type SeasonWrong } from './seasons';
export { wakeOrder, type Waking } from './wakeOrder';
export type { LayUpPrices, MethodCost, OwnWakes, Standing, Woken } from './shapes';
