import { CLASS_IDS, TANKS } from '@hudrik/core/catalogue';
import { breakEvens, costsOf, NO_WAKES, type LayUpPrices, type OwnWakes, type Standing } from '@hudrik/core/layUp';
import { format } from 'date-fns/format';
import { loadDemo } from '../demo/load';
import { readSeasonSheet } from '../layUp/seasonSheet';
import { openBench } from '../testing/benchContext';

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

/** The sheet of a season that all classes are in, read from the records. */
const { db, context } = await openBench();
const today = new Date();
await loadDemo(db, today, { times: 9, days: 20 });
const day = (after: number): string => format(new Date(today.getTime() + after * 86_400_000), 'MM-dd');
await db.deleteFrom('season').execute();
await db
  .insertInto('season')
  .values(CLASS_IDS.map((id) => ({ class_id: id, from_day: day(-10), to_day: day(150), call_odds: 0.05 })))
  .execute();
const times: number[] = [];
let lines = 0;
for (let n = 0; n < 11; n++) {
  const begin = performance.now();
  ({
    lines: { length: lines },
  } = await readSeasonSheet(context));
  times.push(performance.now() - begin);
}
const median = times.sort((a, b) => a - b)[5] ?? 0;
console.log(`season sheet with ${lines} units on it: median ${Math.round(median)} ms (wanted: 500 under 1,000 ms)`);
await db.destroy();
