import { screen, waitFor } from '@testing-library/react-native';
import { IVO, press, refusal, show, type } from '@/testing/screen';
import { History } from './History';

const record = (id: string, kind: string, facts: object, more: object = {}) => ({
  id,
  at: '2030-03-04T09:00:00Z',
  kind,
  by: 'Ivo Tarnwell',
  facts,
  corrects: null,
  ...more,
});
const PATH = 'GET /api/units/GE-07/history';

describe('the history', () => {
  test('tells each entry in words, and fetches earlier ones when asked', async () => {
    show(<History tag="GE-07" />, {
      [PATH]: ({ path }: { path: string }) =>
        path.includes('cursor=')
          ? { records: [record('1', 'unit-added', { trueHours: 0 })], next: null }
          : { records: [record('2', 'note', { text: 'Loud' })], next: 'abc' },
    });
    expect(await screen.findByText('Loud')).toBeTruthy();
    await press('Earlier');
    expect(await screen.findByText('Came to the yard')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Earlier' })).toBeNull();
  });

  test('what was missing is told with its price', async () => {
    show(<History tag="GE-07" />, {
      [PATH]: {
        records: [
          record('1', 'check-in', {
            result: 'prep',
            trueHours: 12,
            fuelEighths: 8,
            bill: [{ name: 'Wand', priceCents: 4500 }],
          }),
        ],
        next: null,
      },
    });
    expect(await screen.findByText('Charged: wand, $45.00')).toBeTruthy();
  });

  test('a reading is corrected with a reason; what was corrected says so', async () => {
    const entries = [
      record('2', 'reading-corrected', { readingId: '8', reading: 103, from: 108, why: 'Misread' }, { corrects: '1' }),
      record('1', 'check-in', { result: 'fit', trueHours: 108, fuelEighths: 8, readingId: '7', reading: 108 }),
    ];
    const server = show(<History tag="GE-07" />, {
      [PATH]: { records: entries, next: null },
      'POST /api/units/GE-07/reading-corrections': refusal(
        422,
        'hours-below-last',
        {},
        'The hours are below the last reading.',
      ),
    });
    expect(await screen.findByText('Its reading was corrected later.')).toBeTruthy();
    await press('Correct the reading of 103');
    type('What the meter showed', '10x');
    expect(screen.getByText('Figures, with at most one after the point.')).toBeTruthy();
    type('What the meter showed', '104.5');
    type('Why', 'Read it again');
    await press('Correct it');
    await waitFor(() => expect(server.sent[0]?.body).toEqual({ readingId: '8', reading: 104.5, why: 'Read it again' }));
    expect(await screen.findByText(/The hours are below the last reading/)).toBeTruthy();
  });

  test('an apprentice corrects nothing', async () => {
    show(
      <History tag="GE-07" />,
      {
        [PATH]: {
          records: [
            record('1', 'check-in', { result: 'fit', trueHours: 1, fuelEighths: 8, readingId: '7', reading: 1 }),
          ],
          next: null,
        },
      },
      { ...IVO, role: 'apprentice' },
    );
    expect(await screen.findByText(/^Checked in/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Correct the reading/ })).toBeNull();
  });

  test('nothing yet, and nothing to be had', async () => {
    show(<History tag="GE-07" />, { [PATH]: { records: [], next: null } });
    expect(await screen.findByText('Nothing happened to it yet.')).toBeTruthy();
    screen.unmount();
    show(<History tag="GE-07" />, { [PATH]: refusal(503, 'store-away') });
    expect(await screen.findByText('The history can not be fetched just now.')).toBeTruthy();
  });
});
