import { CLASS_IDS, TANKS } from '@hudrik/core/catalogue';
import { breakEvens, costsOf, NO_WAKES, type LayUpPrices, type OwnWakes, type Standing } from '@hudrik/core/layUp';

/** How long the lay-up of a large fleet takes: 5,000 units, every way, every break-even. */
const prices: LayUpPrices = {
  perMinute: 130,
  repair: 14_000,
  litre: { e0: 160, alkylate: 620 },
  stabiliserPerLitre: 40,
};
const unitOf = (nth: number): Standing => {
  const { litres, isMetal, hasTap } = TANKS[CLASS_IDS[nth % CLASS_IDS.length] ?? 'generator'];
  return {
    tankLitres: litres + (nth % 5),
    isMetal,
    hasTap,
    ethanol: nth % 3 === 0 ? 0 : 0.1,
    callOdds: (nth % 10) / 20,
  };
};
const some: OwnWakes = (_, __, band) => ({ tries: band * 3, failed: band });

for (const [name, own] of [
  ['no wake-ups', NO_WAKES],
  ['own wake-ups', some],
] as const) {
  const begin = performance.now();
  let changes = 0;
  for (let nth = 0; nth < 5000; nth++) {
    const unit = unitOf(nth);
    costsOf(20 + (nth % 300), unit, prices, own);
    changes += breakEvens(unit, prices, own).length;
  }
  const ms = Math.round(performance.now() - begin);
  console.log(`lay-up of 5,000 units, ${name}: ${ms} ms, ${changes} break-evens (wanted: under 500 ms)`);
}
