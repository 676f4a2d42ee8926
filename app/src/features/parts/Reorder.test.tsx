import { screen } from '@testing-library/react-native';
import type { ReorderReply } from '@hudrik/core/contracts';
import { refusal, show } from '@/testing/screen';
import { Reorder } from './Reorder';

type Line = ReorderReply['lines'][number];
const line = (more: Partial<Line> = {}): Line => ({
  ...{ number: 'TV-9', name: 'Service kit', free: 0, orderBelow: 2, order: 3, cents: 19_500, usedPerMonth: 0 },
  ...{ leadDays: 7, ahead: [] },
  ...more,
});
const due = (tag: string) => ({ tag, item: 'engine-oil', inDays: 3 });

describe('what to order for the shelf', () => {
  test('each with why: repairs, the service ahead, who waits, how long it takes', async () => {
    const lines = [
      line({ ahead: ['GE-01', 'GE-02', 'GE-03', 'GE-04'].map(due) }),
      line({ number: 'TV-1', name: 'Plug', free: -1, usedPerMonth: 1.5, cents: 900 }),
    ];
    show(<Reorder />, { 'GET /api/parts/reorder': { lines, cents: 20_400 } });
    expect(await screen.findByText('About $204.00 for the shelf.')).toBeTruthy();
    expect(screen.getAllByText('3 ×')).toHaveLength(2);
    expect(
      screen.getByText(
        /^0 free, 2 wanted at the least: engine oil of GE-01, GE-02, GE-03 and 1 more, by \d+ \w+\. Comes in 7 days\.$/,
      ),
    ).toBeTruthy();
    expect(
      screen.getByText('1 are waited for, 2 wanted at the least: 1.5 a month in repairs. Comes in 7 days.'),
    ).toBeTruthy();
  });

  test('what cannot be fetched is said', async () => {
    show(<Reorder />, { 'GET /api/parts/reorder': refusal(503, 'store-away', {}, 'The records cannot be reached.') });
    expect(await screen.findByText(/cannot be reached/)).toBeTruthy();
  });
});
