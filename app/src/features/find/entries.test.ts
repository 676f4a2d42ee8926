import type { FindingRecord } from '@hudrik/core/contracts';
import { merge, standingOf, type Entry } from './entries';

let n = 0;
const entry = (
  kind: Entry['kind'],
  observation: string | null,
  outcomes: string[] = [],
  more: Partial<Entry> = {},
): Entry => ({
  id: `e${n++}`,
  kind,
  observation: observation as never,
  outcomes,
  reading: null,
  fault: null,
  at: '2030-03-04T09:00:00Z',
  by: 'Ivo',
  sent: true,
  ...more,
});
const seen = (observation: string, ...outcomes: string[]): Entry => entry('seen', observation, outcomes);

describe('what entries come to', () => {
  test('the last telling of an observation counts; one taken back does not', () => {
    const { chapters } = standingOf([
      seen('choke', 'needs-choke'),
      seen('compression', 'worn'),
      seen('compression', 'strong'),
      entry('taken-back', 'choke'),
    ]);
    expect(chapters).toEqual([{ seen: { compression: 'strong' } }]);
  });

  test('several at once stay a list', () =>
    expect(standingOf([seen('leak-place', 'breather', 'exhaust')]).chapters[0]?.seen).toEqual({
      'leak-place': ['breather', 'exhaust'],
    }));

  test('could not tell passes a check over, until it is told after all', () => {
    expect(standingOf([entry('could-not-tell', 'fuel-look')]).passedOver).toEqual(['fuel-look']);
    expect(standingOf([entry('could-not-tell', 'fuel-look'), seen('fuel-look', 'fresh')]).passedOver).toEqual([]);
    expect(standingOf([seen('fuel-look', 'fresh'), entry('could-not-tell', 'fuel-look')]).chapters[0]?.seen).toEqual(
      {},
    );
  });

  test('a repair ends a chapter; what was seen before it stays seen in its own', () => {
    const { chapters, repaired, counting } = standingOf([
      seen('starting', 'hard'),
      entry('repaired', null, [], { fault: 'plug-fouled' }),
      seen('fuel-look', 'stale'),
    ]);
    expect(chapters).toEqual([
      { seen: { starting: 'hard' }, repaired: 'plug-fouled' },
      { seen: { 'fuel-look': 'stale' } },
    ]);
    expect(repaired).toEqual(['plug-fouled']);
    expect(counting).toHaveLength(3);
    expect(counting[0]?.observation).toBe('fuel-look');
  });

  test('what came off for a look or a repair is off', () => {
    expect(standingOf([seen('main-jet', 'clear')]).setUpsDone).toEqual(['bowl-off']);
    expect([...standingOf([entry('repaired', null, [], { fault: 'flywheel-key-sheared' })]).setUpsDone].sort()).toEqual(
      ['cowl-off', 'flywheel-off'],
    );
    expect(standingOf([seen('starting', 'hard')]).setUpsDone).toEqual([]);
  });
});

describe('the server’s record and the device’s', () => {
  const record = (entries: Entry[]): FindingRecord =>
    ({
      id: 'f',
      tag: 'GE-01',
      machine: { engine: {}, past: {} },
      limits: null,
      openedAt: '',
      openedBy: 'Ivo',
      closedAt: null,
      causes: null,
      jobId: '7',
      version: 3,
      entries: entries as never,
    }) as FindingRecord;

  test('nothing that this device has not sent is lost, and nothing is there twice', () => {
    const [theirs, both, mine] = [seen('choke', 'needs-choke'), seen('idle', 'hunts'), seen('fuel-look', 'fresh')];
    const held = merge(record([theirs, both]), [
      { ...both, sent: false },
      { ...mine, sent: false },
    ]);
    expect(held.entries.map((one) => [one.id, one.sent])).toEqual([
      [theirs.id, true],
      [both.id, true],
      [mine.id, false],
    ]);
    expect(held).toMatchObject({ id: 'f', opened: true, version: 3, jobId: '7' });
  });

  test('closed is closed', () =>
    expect(merge({ ...record([]), closedAt: '2030-03-04T10:00:00Z', causes: ['coil-failed'] }, []).causes).toEqual([
      'coil-failed',
    ]));
});

describe('what was said of the machine without a connection', () => {
  const record = {
    id: 'f',
    tag: 'GE-01',
    machine: { engine: { ignition: 'coil' }, past: {} },
    limits: null,
    openedAt: '',
    openedBy: '',
    closedAt: null,
    causes: null,
    jobId: null,
    entries: [],
    version: 3,
  } as unknown as FindingRecord;
  const mine = { engine: { ignition: 'points' }, past: {} } as never;

  test('stands over the server’s until it is sent', () => {
    expect(merge(record, [], mine)).toMatchObject({ machine: mine, machineUnsent: true });
    expect(merge(record, [])).toMatchObject({ machine: record.machine, machineUnsent: false });
  });
});
