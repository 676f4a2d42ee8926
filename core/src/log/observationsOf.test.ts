import { observationsOf, setUpsOf, type Entry } from './index';

let n = 0;
const entry = (kind: string, facts: object): Entry => ({
  id: `e${n++}`,
  at: '2030-03-04T09:00:00Z',
  by: 'Ivo',
  kind,
  facts,
  outcome: {},
});
const seen = (observation: string, ...outcomes: string[]): Entry =>
  entry('seen', { observation, outcomes, reading: null });
const of = (kind: 'could-not-tell' | 'taken-back', observation: string): Entry => entry(kind, { observation });

describe('what entries come to', () => {
  test('the last telling of an observation counts; one taken back counts nowhere', () => {
    const observed = observationsOf([
      seen('choke', 'needs-choke'),
      seen('compression', 'worn'),
      seen('compression', 'strong'),
      of('taken-back', 'choke'),
    ]);
    expect(observed.chapters).toEqual([{ seen: { compression: 'strong' } }]);
    expect(observed.shown).toEqual([{ observation: 'compression', outcome: 'strong' }]);
    expect(observed.counting).toHaveLength(1);
  });

  test('a fault of a former edition stands for what it is now', () => {
    const repaired = entry('repaired', { fault: 'fuel-low-or-off' });
    const said = entry('said-so', { fault: 'fuel-low-or-off', so: true, why: 'Looked' });
    expect(observationsOf([repaired, said]).chapters).toEqual([
      { seen: {}, repaired: 'fuel-low' },
      { seen: {}, said: ['fuel-low'] },
    ]);
  });

  test('several at once stay a list, and each of them is shown', () => {
    const { chapters, shown } = observationsOf([seen('leak-place', 'breather', 'exhaust')]);
    expect(chapters[0]?.seen).toEqual({ 'leak-place': ['breather', 'exhaust'] });
    expect(shown.map((one) => one.outcome)).toEqual(['breather', 'exhaust']);
  });

  test('could not tell passes a check over, until it is told after all', () => {
    expect(observationsOf([of('could-not-tell', 'fuel-look')]).passedOver).toEqual(['fuel-look']);
    expect(observationsOf([of('could-not-tell', 'fuel-look'), seen('fuel-look', 'fresh')]).passedOver).toEqual([]);
    const after = observationsOf([seen('fuel-look', 'fresh'), of('could-not-tell', 'fuel-look')]);
    expect([after.chapters[0]?.seen, after.passedOver]).toEqual([{}, ['fuel-look']]);
    expect(observationsOf([of('could-not-tell', 'fuel-look'), of('taken-back', 'fuel-look')]).passedOver).toEqual([]);
  });

  test('what is said to be so stands in its chapter until it is said no more', () => {
    const say = (fault: string, so: boolean): Entry => entry('said-so', { fault, so, why: 'Known' });
    const { chapters, counting } = observationsOf([
      say('coil-failed', true),
      say('plug-fouled', true),
      say('plug-fouled', false),
      entry('repaired', { fault: 'coil-failed' }),
      say('oil-low', true),
    ]);
    expect(chapters).toEqual([
      { seen: {}, said: ['coil-failed'], repaired: 'coil-failed' },
      { seen: {}, said: ['oil-low'] },
    ]);
    expect(counting.map((one) => one.kind)).toEqual(['said-so', 'repaired', 'said-so']);
  });

  test('a repair ends a chapter; what was seen before it stays seen in its own', () => {
    const { chapters, repaired, counting } = observationsOf([
      seen('starting', 'hard'),
      entry('repaired', { fault: 'plug-fouled' }),
      seen('fuel-look', 'stale'),
    ]);
    expect(chapters).toEqual([
      { seen: { starting: 'hard' }, repaired: 'plug-fouled' },
      { seen: { 'fuel-look': 'stale' } },
    ]);
    expect(repaired).toEqual(['plug-fouled']);
    expect(counting.map((one) => one.kind)).toEqual(['seen', 'repaired', 'seen']);
    expect(counting[0]?.facts).toMatchObject({ observation: 'fuel-look' });
  });

  test('entries that are no finding’s are passed over', () => {
    const others = [
      entry('note', { text: 'x' }),
      entry('machine-described', { machine: {} }),
      entry('no-such-kind', {}),
    ];
    expect(observationsOf(others)).toMatchObject({ chapters: [{ seen: {} }], counting: [] });
  });

  test('what came off for a look or a repair is off', () => {
    const offFor = (...entries: Entry[]) => setUpsOf(observationsOf(entries));
    expect(offFor(seen('main-jet', 'clear'))).toEqual(['bowl-off']);
    expect(offFor(entry('repaired', { fault: 'flywheel-key-sheared' }))).toEqual(['cowl-off', 'flywheel-off']);
    expect(offFor(seen('starting', 'hard'))).toEqual([]);
    expect(offFor(seen('main-jet', 'clear'), of('taken-back', 'main-jet'))).toEqual([]);
  });

  test('what the check-in showed before took nothing off here', () => {
    const before = { ...seen('belt', 'good'), at: '2030-03-04T08:00:00Z' };
    const opened = entry('finding-opened', { machine: { engine: {}, past: {} } });
    const { counting, madeHere } = observationsOf([opened, before, seen('plug-gap', 'wide')]);
    expect(counting).toHaveLength(2);
    expect(madeHere.map(({ facts }) => Reflect.get(Object(facts), 'observation'))).toEqual(['plug-gap']);
    expect(setUpsOf({ madeHere })).toEqual(['plug-out']);
    // Of an engine by itself, whose finding is on no server yet, all of it was made here.
    expect(observationsOf([before]).madeHere).toHaveLength(1);
  });
});
