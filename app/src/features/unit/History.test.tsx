import { SAMPLES } from '@hudrik/core/log/samples';
import { entriesOf } from '@hudrik/core/typed';
import { act, screen, waitFor } from '@testing-library/react-native';
import { outbox } from '@/outbox';
import { IVO, press, refusal, show, type } from '@/testing/screen';
import { History } from './History';

const record = (id: string, kind: string, facts: object, more: object = {}) => ({
  id,
  at: '2030-03-04T09:00:00Z',
  kind,
  by: 'Ivo Tarnwell',
  sentBy: null,
  facts,
  outcome: {},
  jobId: null,
  corrects: null,
  ...more,
});
const checkIn = (id: string, outcome: object = {}) =>
  record(
    id,
    'check-in',
    { hours: { typed: '12' }, fuelEighths: 8, remarks: '' },
    { outcome: { trueHours: 12, verdict: { result: 'prep', reasons: [], bill: [] }, ...outcome } },
  );
const NOTE = {
  id: 'n1',
  what: 'entry',
  kind: 'note',
  facts: { text: 'It whistles' },
  maker: IVO,
  madeAt: '2030-03-04T10:00:00Z',
} as const;
const PATH = 'GET /api/units/GE-07/history';

describe('the history', () => {
  test('shows every kind of record that there is, whatever came of it', async () => {
    const kinds = entriesOf(SAMPLES);
    const records = kinds.flatMap(([kind, [facts, outcome]], n) => [
      record(`a${n}`, kind, facts, { outcome }),
      record(`b${n}`, kind, facts),
      // What a kind of another version might bring along.
      record(`c${n}`, kind, { ...facts, result: 'dry', photos: null }, { outcome: { ...outcome, result: 'dry' } }),
    ]);
    show(<History tag="GE-07" />, { [PATH]: { records, next: null } });
    expect(await screen.findAllByText(/Ivo Tarnwell/)).toHaveLength(kinds.length * 3);
  });

  test('tells each entry in words, and fetches earlier ones when asked', async () => {
    show(<History tag="GE-07" />, {
      [PATH]: ({ path }: { path: string }) =>
        path.includes('cursor=')
          ? {
              records: [
                record('1', 'unit-added', { serial: 'S-7', reading: 0 }, { outcome: { readingId: '1', trueHours: 0 } }),
              ],
              next: null,
            }
          : { records: [record('2', 'note', { text: 'Loud' })], next: 'abc' },
    });
    expect(await screen.findByText('Loud')).toBeTruthy();
    await press('Earlier');
    expect(await screen.findByText('Came to the yard')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Earlier' })).toBeNull();
  });

  test('what was missing is told with its price', async () => {
    const bill = [{ id: 'wand', name: 'Wand', count: 1, priceCents: 4500 }];
    show(<History tag="GE-07" />, {
      [PATH]: { records: [checkIn('1', { verdict: { result: 'prep', reasons: [], bill } })], next: null },
    });
    expect(await screen.findByText('Charged: wand, $45.00')).toBeTruthy();
  });

  test('a reading is corrected with a reason; what was corrected says so', async () => {
    const facts = { readingId: '7', reading: 103, why: 'Misread' };
    const entries = [
      record('2', 'reading-corrected', facts, {
        corrects: '1',
        outcome: { readingId: '8', from: 108, trueHours: 103 },
      }),
      checkIn('1', { readingId: '7', reading: 108 }),
    ];
    const server = show(<History tag="GE-07" />, {
      [PATH]: { records: entries, next: null },
      'POST /api/log': refusal(422, 'hours-below-last', {}, 'The hours are below the last reading.'),
    });
    expect(await screen.findByText('Its reading was corrected later.')).toBeTruthy();
    await press('Correct the reading of 103');
    type('What the meter showed', '10x');
    await press('Correct it');
    expect(await screen.findByText('Enter figures, with at most one after the point.')).toBeTruthy();
    expect(screen.getByText('Write at least 3 characters.')).toBeTruthy();
    type('What the meter showed', '104.5');
    type('Why', 'Read it again');
    await press('Correct it');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        kind: 'reading-corrected',
        tag: 'GE-07',
        facts: { readingId: '8', reading: 104.5, why: 'Read it again' },
      }),
    );
    expect(await screen.findByText(/The hours are below the last reading/)).toBeTruthy();
  });

  test('what was made here and is not sent stands on top', async () => {
    const server = show(<History tag="GE-07" />, { [PATH]: { records: [checkIn('1')], next: null } });
    server.isAway = true;
    await screen.findByText('Checked in: Prep');
    await act(() => outbox().keep({ ...NOTE, on: { tag: 'GE-07' } }));
    expect(await screen.findByText(/not sent yet/)).toBeTruthy();
    expect(screen.getByText('It whistles')).toBeTruthy();
  });

  test('an apprentice corrects nothing', async () => {
    show(
      <History tag="GE-07" />,
      {
        [PATH]: { records: [checkIn('1', { readingId: '7', reading: 1 })], next: null },
      },
      { ...IVO, role: 'apprentice' },
    );
    expect(await screen.findByText(/^Checked in/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Correct the reading/ })).toBeNull();
  });

  test('nothing yet, and nothing to be had', async () => {
    show(<History tag="GE-07" />, { [PATH]: { records: [], next: null } });
    expect(await screen.findByText('Nothing has happened to it yet.')).toBeTruthy();
    screen.unmount();
    show(<History tag="GE-07" />, { [PATH]: refusal(503, 'store-away') });
    expect(await screen.findByText('The history cannot be fetched just now.')).toBeTruthy();
  });
});
