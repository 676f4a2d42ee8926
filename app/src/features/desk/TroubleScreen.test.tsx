import { screen, waitFor } from '@testing-library/react-native';
import { LOG, taken } from '@/testing/cardReply';
import { press, refusal, show, type } from '@/testing/screen';
import { TroubleScreen } from './TroubleScreen';

const hire = {
  reference: 'B-1',
  classId: 'generator',
  tag: 'GE-07',
  fromAt: '2030-03-04T09:00:00Z',
  toAt: '2030-03-06T09:00:00Z',
  state: 'out',
  outAt: null,
  backAt: null,
  hirer: 'Orra',
  phone: '555 0117',
};
const replies = {
  'GET /api/units/GE-07': { unit: { tag: 'GE-07', classId: 'generator' } },
  'GET /api/hires': { hires: [hire] },
  'GET /api/units/GE-07/trouble': {
    before: 'Stop it if it smokes.',
    tries: ['Is there fuel?', 'Is the switch on?'],
    swap: 'GE-01',
    reference: 'B-1',
  },
  [LOG]: taken,
};

describe('the hirer rings', () => {
  test('what is wrong, what he may try, what could go in its place; then it is noted', async () => {
    const server = show(<TroubleScreen tag="GE-07" />, replies);
    expect(await screen.findByText(/^B-1, Orra, 555 0117; back /)).toBeTruthy();
    expect(screen.getByText('Tap what is wrong.')).toBeTruthy();
    await press('Would not fire');
    expect(await screen.findByText('Stop it if it smokes.')).toBeTruthy();
    expect(screen.getByText('Is there fuel?')).toBeTruthy();
    expect(screen.getByText('GE-01')).toBeTruthy();
    type(/own words$/, 'On the slope');
    await press('Note it');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        kind: 'trouble-told',
        tag: 'GE-07',
        facts: { reference: 'B-1', complaintIds: ['will-not-fire'], note: 'On the slope' },
      }),
    );
    expect(await screen.findByText('It is noted.')).toBeTruthy();
  });

  test('a unit that is not out; advice that cannot be had', async () => {
    show(<TroubleScreen tag="GE-07" />, { ...replies, 'GET /api/hires': { hires: [] } });
    expect(await screen.findByText(/^It is not out with anybody: what is told is noted/)).toBeTruthy();
    screen.unmount();
    show(<TroubleScreen tag="GE-07" />, { ...replies, 'GET /api/units/GE-07/trouble': refusal(503, 'store-away') });
    await press('Would not fire');
    expect(await screen.findByText(/^Advice cannot be fetched/)).toBeTruthy();
  });
});
