import { screen, waitFor } from '@testing-library/react-native';
import { LOG, taken } from '@/testing/cardReply';
import { IVO, press, refusal, show, type } from '@/testing/screen';
import { HiresScreen } from './HiresScreen';

const hire = (reference: string, state: string, more: object = {}) => ({
  reference,
  classId: 'generator',
  tag: 'GE-07',
  fromAt: '2030-03-04T09:00:00Z',
  toAt: '2030-03-06T09:00:00Z',
  state,
  outAt: null,
  backAt: null,
  ...more,
});
const hires = { hires: [hire('B-1', 'out'), hire('B-2', 'booked', { tag: null }), hire('B-3', 'back')] };
const CLERK = { ...IVO, role: 'counter' } as const;

describe('hires', () => {
  test('says what is out and booked; any of a class is called so', async () => {
    show(<HiresScreen />, { 'GET /api/hires': hires });
    expect(await screen.findByText('2 out, 1 booked.')).toBeTruthy();
    expect(screen.getByText('any generator')).toBeTruthy();
    expect(screen.getByText('back, not looked at')).toBeTruthy();
  });

  test('what is back is said to be back; a booked one is cancelled', async () => {
    const server = show(
      <HiresScreen />,
      { 'GET /api/hires': hires, [LOG]: taken, 'POST /api/hires/B-2/cancel': hires },
      CLERK,
    );
    await press('GE-07 is back');
    await press('Cancel B-2');
    // It is asked first.
    expect(await screen.findByText(/^Cancel B-2\? The unit is then promised to nobody/)).toBeTruthy();
    expect(server.sent.map((one) => one.path)).not.toContain('/api/hires/B-2/cancel');
    await press('Cancel the hire');
    await waitFor(() =>
      expect(new Set(server.sent.map((one) => one.path))).toEqual(new Set(['/api/log', '/api/hires/B-2/cancel'])),
    );
  });

  test('a hire is booked; one that overlaps is refused, and what was written stays', async () => {
    const server = show(
      <HiresScreen />,
      {
        'GET /api/hires': hires,
        'POST /api/hires': refusal(409, 'hire-overlaps', {}, 'That unit is promised to somebody else in that time.'),
      },
      CLERK,
    );
    await press('Book a hire');
    type('Reference', 'B-9');
    type('Tag (leave empty for any unit of the class)', 'ge-01');
    type('From', '2030-05-01 09:00');
    type('To', 'Friday');
    await press('Book it');
    expect(await screen.findByText('Choose a day and a time.')).toBeTruthy();
    type('To', '2030-04-30 09:00');
    expect(await screen.findByText('The hire must end after it begins.')).toBeTruthy();
    type('To', '2030-05-03 17:00');
    await press('Book it');
    await waitFor(() =>
      expect(server.sent[0]?.body).toEqual({
        reference: 'B-9',
        classId: 'pressure-washer',
        tag: 'GE-01',
        fromAt: new Date('2030-05-01T09:00').toISOString(),
        toAt: new Date('2030-05-03T17:00').toISOString(),
        hirer: '',
        phone: '',
        sure: false,
      }),
    );
    expect(await screen.findByText(/promised to somebody else/)).toBeTruthy();
    expect(screen.getByDisplayValue('B-9')).toBeTruthy();
  });

  test('a technician books and cancels nothing', async () => {
    show(<HiresScreen />, { 'GET /api/hires': hires });
    expect(await screen.findByRole('button', { name: 'GE-07 is back' })).toBeTruthy();
    for (const name of ['Book a hire', 'Cancel B-2']) expect(screen.queryByRole('button', { name })).toBeNull();
  });
});
