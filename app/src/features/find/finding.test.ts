import type { FindingRecord } from '@hudrik/core/contracts';
import { observationsOf } from '@hudrik/core/log';
import { fresh, type EntryItem, type NewItem } from '@/outbox/item';
import { findingOf } from './finding';

const record = (more: Partial<FindingRecord> = {}): FindingRecord => ({
  id: 'f',
  tag: 'GE-01',
  machine: { engine: { ignition: 'coil' }, past: {} },
  limits: null,
  openedAt: '2030-03-04T09:00:00Z',
  openedBy: 'Ivo',
  closedAt: null,
  causes: null,
  jobId: '7',
  entries: [],
  edition: null,
  version: 3,
  ...more,
});
let count = 0;
const item = (kind: string, facts: object, more: object = {}): EntryItem =>
  ({
    ...fresh(
      {
        id: `i${count++}`,
        what: 'entry',
        kind,
        facts,
        on: { findingId: 'f' },
        maker: { id: 2, name: 'Ivo' },
        madeAt: '2030-03-04T10:00:00Z',
      } as NewItem,
      true,
    ),
    ...more,
  }) as EntryItem;
const seen = (observation: string, outcome: string, more: object = {}) =>
  item('seen', { observation, outcomes: [outcome], reading: null }, more);
const known = (pending: EntryItem) => ({
  id: pending.id,
  at: '2030-03-04T09:30:00Z',
  by: 'Ivo',
  sentBy: null,
  kind: pending.kind,
  facts: pending.facts as Record<string, unknown>,
  outcome: {},
  jobId: null,
  corrects: null,
});

describe('the server’s finding and what is on its way of it', () => {
  test('nothing that was not sent is lost, nothing is there twice, and what was refused counts nowhere', () => {
    const [both, mine, refused] = [
      seen('choke', 'needs-choke'),
      seen('fuel-look', 'fresh'),
      seen('idle', 'hunts', { state: 'refused' }),
    ];
    const finding = findingOf('GE-01', record({ entries: [known(both)] }), { id: 'f' }, [both, mine, refused]);
    expect(finding.entries.map((entry) => entry.id)).toEqual([both.id, mine.id]);
    expect(finding.jobId).toBe('7');
    expect([...finding.unsent]).toEqual([both.id, mine.id]);
    expect(finding.refused).toEqual([refused]);
    expect(observationsOf(finding.entries).chapters).toEqual([
      { seen: { choke: 'needs-choke', 'fuel-look': 'fresh' } },
    ]);
  });

  test('what was said of the machine last counts: here before it is sent, the server’s otherwise', () => {
    const machine = { engine: { ignition: 'points' as const }, past: {} };
    expect(findingOf('GE-01', record(), { id: 'f' }, []).machine).toEqual(record().machine);
    expect(findingOf('GE-01', record(), { id: 'f' }, [item('machine-described', { machine })]).machine).toEqual(
      machine,
    );
    // It begins another's finding: what the server made of it counts.
    expect(findingOf('GE-01', record(), { id: 'f' }, [item('finding-opened', { machine })]).machine).toEqual(
      record().machine,
    );
    expect(findingOf('GE-01', null, { id: 'f' }, [item('finding-opened', { machine })]).machine).toEqual(machine);
    expect(findingOf(null, null, { id: 'f', machine }, [])).toMatchObject({ machine, isBegun: false });
  });

  test('confirmed here it is closed, before the server says so', () => {
    const closing = item('causes-confirmed', { causes: ['coil-failed'], note: '' });
    expect(findingOf('GE-01', record(), { id: 'f' }, [closing])).toMatchObject({
      closedAt: '2030-03-04T10:00:00Z',
      causes: ['coil-failed'],
    });
    const closed = record({ closedAt: '2030-03-04T11:00:00Z', causes: ['main-jet-blocked'] });
    expect(findingOf('GE-01', closed, { id: 'f' }, []).causes).toEqual(['main-jet-blocked']);
    expect(findingOf('GE-01', record(), { id: 'f' }, [{ ...closing, state: 'refused' }]).closedAt).toBeNull();
  });
});
