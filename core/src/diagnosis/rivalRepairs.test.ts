import { FAULT_KNOWLEDGE, FAULTS } from '../catalogue';
import { putRightBy } from './Prices';
import { Finding, rivalRepairs } from './index';

const of = (id: string, seen: Readonly<Record<string, string>> = {}, done: readonly string[] = []) =>
  rivalRepairs(FAULT_KNOWLEDGE, id, seen, new Set(done));

describe('rival repairs', () => {
  test('a passage is cleared by itself; a corroded carburettor is replaced, and a bath holds in fewer', () => {
    expect(of('main-jet-blocked').map((way) => way.title)[0]).toBe('Clear the main jet');
    const corroded = of('carb-corroded');
    expect(corroded.map((way) => [way.title, way.holds])).toEqual([
      ['Replace the carburettor', 0.97],
      ['Strip and bath the carburettor', 0.35],
    ]);
    const varnished = (seen: Readonly<Record<string, string>>) =>
      of('carb-varnished', seen).find((way) => way.title.startsWith('Strip'))?.holds;
    expect([varnished({}), varnished({ 'bowl-look': 'corroded' })]).toEqual([0.82, 0.35]);
  });

  test('what is off already costs nothing again', () => {
    const [all, rest] = [of('main-jet-blocked'), of('main-jet-blocked', {}, ['bowl-off'])];
    expect((all[0]?.minutes ?? 0) - (rest[0]?.minutes ?? 0)).toBe(FAULT_KNOWLEDGE.setUps['bowl-off']?.minutes);
  });

  test('of one way there is one, and of no fault none', () => {
    expect(of('switch-off')).toHaveLength(1);
    expect(of('no-such-fault')).toEqual([]);
  });

  test('each has a share in which it holds, a title of its own, and cures what there is', () => {
    for (const fault of Object.values(FAULTS)) {
      const ways = [fault.repair, ...(fault.rivals ?? [])];
      expect(new Set(ways.map((way) => way.title)).size).toBe(ways.length);
      for (const { holds = 1, holdsWhen = [], cures = [] } of ways) {
        for (const share of [holds, ...holdsWhen.map((one) => one.holds)]) expect(share > 0 && share <= 1).toBe(true);
        for (const id of cures) expect(Object.hasOwn(FAULTS, id)).toBe(true);
      }
    }
  });
});

test('a bath puts the passages right too: after it neither they nor the varnish are suspects', () => {
  const machine = { classId: 'pressure-washer', engine: { carburettor: 'float' }, past: {} } as const;
  const finding = new Finding(FAULT_KNOWLEDGE, machine, [
    { seen: { starting: 'hard', choke: 'needs-choke' }, repaired: 'carb-varnished' },
    { seen: {} },
  ]);
  const by = finding.belief.marginals();
  const { faultIds } = finding.model;
  const cured = putRightBy(finding.model, FAULT_KNOWLEDGE)[faultIds.indexOf('carb-varnished')] ?? [];
  expect(cured.map((fault) => faultIds[fault])).toEqual(
    expect.arrayContaining(['carb-varnished', 'main-jet-blocked', 'pilot-jet-blocked']),
  );
  for (const fault of cured) expect(by[fault]).toBe(0);
});
