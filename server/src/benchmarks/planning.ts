import { performance } from 'node:perf_hooks';
import { SERVICE_PLANS } from '@hudrik/core/catalogue';
import { planBench, type BenchAsked, type Phase, type PlanVisit, type Stretch } from '@hudrik/core/planning';
import { fallsDueIn, groupVisits, itemState } from '@hudrik/core/service';
import seedrandom from 'seedrandom';

/**
 * The bench plan and the service at size, in one run: 200 visits over three technicians after 0.3, 2 and 60 s; the service state of 5,000
 * units with what is best done together.
 */
const random = seedrandom('bench');
const upTo = (most: number): number => Math.floor(random() * most);
const WHO = ['ada', 'ben', 'cid'];
const DAY = 1440;
const SHIFTS = Array.from({ length: 28 }, (_, day) => day)
  .filter((day) => day % 7 < 5)
  .flatMap((day): Stretch[] => [
    [day * DAY, day * DAY + 270],
    [day * DAY + 300, day * DAY + 540],
  ]);

function visitOf(at: number): PlanVisit {
  const phases = Array.from({ length: 1 + upTo(3) }, (_, nth): Phase[] => [
    { id: `h${nth}`, hands: true, minutes: 10 + upTo(60), spread: 0.35 },
    ...(random() < 0.25
      ? [{ id: `w${nth}`, hands: false, minutes: [60, 90, 120, 120, 240, 480][upTo(6)] ?? 60, spread: 0.1 }]
      : []),
  ]).flat();
  return {
    ...{ id: `v${at}`, phases, inHand: false, pinnedAt: null, away: [], seen: null },
    releaseAt: random() < 0.2 ? upTo(5000) : 0,
    dueAt: random() < 0.6 ? upTo(14) * DAY + 90 : null,
    centsPerMinuteLate: 20 + random() * 20,
    centsPerMinuteWaiting: 1 + random() * 5,
    who: random() < 0.2 ? [WHO[upTo(3)] ?? 'ada'] : WHO,
  };
}

const asked: BenchAsked = {
  visits: Array.from({ length: 200 }, (_, at) => visitOf(at)),
  technicians: WHO.map((id) => ({ id, shifts: SHIFTS, places: 5 })),
  centsPerMove: 1500,
};
const costs = [300, 2000, 60_000].map((ms) => {
  const begin = performance.now();
  const { cents } = planBench(asked, { random: seedrandom('1'), spent: () => (performance.now() - begin) / ms });
  console.log(
    `200 visits, 3 technicians: ${Math.round(performance.now() - begin)} ms, ${Math.round(cents / 100)} in money`,
  );
  return cents;
});
const [, soon = 0, best = 1] = costs;
console.log(`after 2 s ${((soon / best - 1) * 100).toFixed(1)} in 100 above what 60 s find (wanted: 1)`);

const items = SERVICE_PLANS.generator.items;
const now = { trueHours: 480, at: new Date('2030-05-06T08:00:00Z') };
const came = { trueHours: 0, at: new Date('2028-01-01T08:00:00Z') };
const begin = performance.now();
for (let unit = 0; unit < 5000; unit++) {
  const done = { trueHours: 400 + (unit % 80), at: new Date('2030-02-01T08:00:00Z') };
  const due = items.map((item) => {
    const state = itemState({ item, done, came }, now);
    return {
      id: item.id,
      dueIn: fallsDueIn(state, { shape: 20 + (unit % 9), rate: 6 }, 0.4).expected,
      interval: 60,
      minutes: item.minutes,
    };
  });
  groupVisits(
    due.filter(({ dueIn }) => dueIn < 120),
    false,
  );
}
console.log(`service of 5,000 units: ${Math.round(performance.now() - begin)} ms (wanted: under 1,000)`);
