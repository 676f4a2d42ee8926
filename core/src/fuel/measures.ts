/**
 * What stays in a float bowl below the jet after it was run dry. In: the bowl's inner diameter and the height of the jet over its floor, mm,
 * above 0. Out: millilitres. Source: geometry of a cylinder. Example: 48 mm across, 8 mm high: 14.5 ml.
 */
export const residualInBowl = (diameterMm: number, heightMm: number): number =>
  (Math.PI * (diameterMm / 2) ** 2 * heightMm) / 1000;

/**
 * Antifreeze that fills a pump and its hose. In: the pump's own volume (ml), the hose's length (m) and bore (mm). Out: litres.
 * Source: geometry. Example: 200 ml, 15 m of 8 mm: 0.95 l.
 */
export const antifreezeFor = (pumpMl: number, hoseM: number, boreMm: number): number =>
  pumpMl / 1000 + Math.PI * (boreMm / 200) ** 2 * hoseM * 10;

/**
 * How much water a blend takes up before it parts into two layers. In: share of ethanol (0 to 1), °C. Out: share of the volume.
 * Source: from memory: about half a percent of water for a 10 % blend at 15 °C, less when it is cold.
 * Example: 0.1 at 15 °C: 0.005.
 */
export const waterBeforeParting = (ethanol: number, celsius: number): number =>
  0.05 * ethanol * Math.max(1 + 0.012 * (celsius - 15), 0.2);
