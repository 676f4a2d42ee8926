import { chainOf, changesOf, type BenchAsked, type BenchPlan, type PlanVisit, type Work } from './index';

const work = (id: string, minutes: number, steps: Work['steps'], more: Partial<Work> = {}): Work => ({
  id,
  title: id,
  minutes,
  spread: 0.3,
  steps,
  after: null,
  ...more,
});
const plain = { wait: null };
const wait = (minutes: number, name = 'soak') => ({ wait: { name, minutes } });
const shown = (works: readonly Work[], closing: Parameters<typeof chainOf>[1] = null): string[] =>
  chainOf(works, closing).map(({ hands, minutes, what }) => `${hands ? '' : 'wait '}${what} ${minutes}`);

describe('the work of a visit as one chain', () => {
  test('the oil is changed while the rust remover works', () => {
    const tank = work('tank', 60, [plain, wait(480), plain]);
    expect(shown([work('oil', 25, [plain]), tank])).toEqual(['tank 40', 'oil 25', 'wait soak 455', 'tank 20']);
  });

  test('what waits for a part comes when it is there; other work goes before', () => {
    const jet = work('jet', 20, [plain], { after: { name: 'Main jet', minutes: 300, isFromOutside: true } });
    const chain = chainOf([jet, work('oil', 25, [plain])], { id: 'proof', title: 'Proof', minutes: 20, spread: 0.2 });
    expect(chain.map(({ what, minutes }) => [what, minutes])).toEqual([
      ['oil', 25],
      ['Main jet', 275],
      ['jet', 20],
      ['Proof', 20],
    ]);
    expect(chain.filter(({ isFromOutside }) => isFromOutside).map(({ what }) => what)).toEqual(['Main jet']);
  });

  test('a wait at the end is over before the proof', () => {
    expect(
      shown([work('needle', 30, [plain, wait(120, 'drip')])], { id: 'p', title: 'Proof', minutes: 20, spread: 0 }),
    ).toEqual(['needle 30', 'wait drip 120', 'Proof 20']);
  });

  test('minutes fall to the steps alike, are whole and never none', () => {
    const chain = chainOf([work('a', 10, [wait(30), wait(30), plain])], null);
    expect(chain.filter(({ hands }) => hands).map(({ minutes }) => minutes)).toEqual([3, 3, 3]);
    expect(chainOf([work('b', 0.2, [plain])], null)[0]?.minutes).toBe(1);
    expect(new Set(chain.map(({ id }) => id)).size).toBe(chain.length);
  });

  test('nothing to do: only what ends it', () => {
    expect(shown([], { id: 'p', title: 'Look', minutes: 5, spread: 0 })).toEqual(['Look 5']);
    expect(shown([])).toEqual([]);
  });
});

describe('why a plan is another one', () => {
  const visit = (id: string, more: Partial<PlanVisit> = {}): PlanVisit => ({
    id,
    phases: [],
    releaseAt: 0,
    dueAt: null,
    centsPerMinuteLate: 0,
    centsPerMinuteWaiting: 0,
    who: ['1', '2'],
    inHand: false,
    pinnedAt: null,
    away: [],
    seen: null,
    ...more,
  });
  const HOUR = 3_600_000;
  const at = Date.parse('2030-05-06T08:00:00Z');
  const seen = (hours: number, visits: readonly PlanVisit[], from: Readonly<Record<string, number>> = {}) => ({
    at: at + hours * HOUR,
    asked: { visits } as BenchAsked,
    plan: {
      visits: visits.map(({ id }) => ({ id, who: '1', from: from[id] ?? 0, to: 0, lateMinutes: 0, cents: 0 })),
    } as unknown as BenchPlan,
  });
  const changed = (before: readonly PlanVisit[], after: readonly PlanVisit[], hours = 1) =>
    changesOf(seen(0, before), seen(hours, after));

  test('what came and what is done', () => {
    expect(changed([visit('a')], [visit('b')])).toEqual([
      { code: 'done', id: 'a' },
      { code: 'new', id: 'b' },
    ]);
  });

  test('time that only went by is no change', () => {
    expect(changed([visit('a', { dueAt: 300, releaseAt: 120 })], [visit('a', { dueAt: 240, releaseAt: 60 })])).toEqual(
      [],
    );
    expect(changed([visit('a', { releaseAt: 30 })], [visit('a', { releaseAt: 0 })])).toEqual([]);
  });

  test('wanted at another time, for the first time, or no more', () => {
    const due = (minute: number | null) => [visit('a', { dueAt: minute })];
    expect(changed(due(300), due(400))).toEqual([
      { code: 'wanted', id: 'a', from: at + 5 * HOUR, to: at + HOUR + 400 * 60_000 },
    ]);
    expect(changed(due(null), due(60))).toEqual([{ code: 'wanted', id: 'a', from: null, to: at + 2 * HOUR }]);
    expect(changed(due(300), due(null))).toEqual([{ code: 'wanted', id: 'a', from: at + 5 * HOUR, to: null }]);
    expect(changed(due(300), due(250))).toEqual([]);
  });

  test('there later or sooner, in other hands', () => {
    expect(changed([visit('a')], [visit('a', { releaseAt: 600 })])).toEqual([
      { code: 'later-there', id: 'a', to: at + 11 * HOUR },
    ]);
    expect(changed([visit('a', { releaseAt: 900 })], [visit('a', { releaseAt: 100 })])[0]?.code).toBe('sooner-there');
    expect(changed([visit('a')], [visit('a', { who: ['2'] })])).toEqual([{ code: 'other-hands', id: 'a', who: '2' }]);
  });

  test('free again: given to somebody no more, its hour gone; not what is begun', () => {
    const back = [{ code: 'given-back', id: 'a' }];
    expect(changed([visit('a', { who: ['1'] })], [visit('a')])).toEqual(back);
    expect(changed([visit('a', { pinnedAt: 60 })], [visit('a')])).toEqual(back);
    expect(changed([visit('a', { pinnedAt: 60 })], [visit('a', { inHand: true })])).toEqual([]);
    expect(changed([visit('a', { inHand: true, who: ['1'] })], [visit('a')])).toEqual([]);
  });

  test('what moves for others; not what was to begin by now', () => {
    const both = [visit('a'), visit('b'), visit('c')];
    const found = changesOf(seen(0, both, { a: 200, b: 30, c: 240 }), seen(1, both, { a: 300, b: 60, c: 190 }));
    expect(found).toEqual([{ code: 'moved', id: 'a', from: at + 200 * 60_000, to: at + HOUR + 300 * 60_000 }]);
  });
});
