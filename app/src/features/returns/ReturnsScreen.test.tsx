import type { HireLine, Shift } from '@hudrik/core/contracts';
import { fireEvent, screen, waitFor, within } from '@testing-library/react-native';
import { router } from 'expo-router';
import { LOG, taken } from '@/testing/cardReply';
import { IVO, press, show, type, type Replies } from '@/testing/screen';
import { ReturnsScreen } from './ReturnsScreen';

const hire = (reference: string, tag: string | null, more: Partial<HireLine> = {}): HireLine => ({
  reference,
  classId: 'generator',
  tag,
  fromAt: '2030-03-04T09:00:00Z',
  toAt: '2030-03-06T09:00:00Z',
  state: 'out',
  outAt: null,
  backAt: null,
  hirer: '',
  phone: '',
  ...more,
});
const line = (tag: string, reference: string, because: string[]): Partial<Shift['back'][number]> => ({
  tag,
  reference,
  because,
  code: 'back-not-looked-at',
});
const yard = (hires: readonly HireLine[], back: object[] = []): Replies => ({
  'GET /api/hires': { hires },
  'GET /api/shift': { back },
  [LOG]: taken,
});
const order = () =>
  screen.getAllByRole('button', { name: /^Three taps for/ }).map((row) => row.props['accessibilityLabel'].slice(-5));
const says = async (...answers: string[]) => {
  for (const answer of answers) await press(answer);
};

describe('a pile of returns', () => {
  test('a tag and three taps note it; it stands in the order in which it is needed', async () => {
    const server = show(
      <ReturnsScreen />,
      yard([
        hire('B-1', 'GE-01'),
        hire('B-2', 'GE-02'),
        hire('B-3', 'PW-03', { classId: 'pressure-washer', state: 'back' }),
        hire('N-1', 'GE-02', { state: 'booked', fromAt: '2030-03-07T09:00:00Z' }),
        hire('N-2', null, { state: 'booked', fromAt: '2030-03-08T09:00:00Z' }),
      ]),
    );
    await press('GE-01');
    await says('Not tried', 'Dry', 'All there');
    expect(await screen.findByText('GE-01 is noted. The next one?')).toBeTruthy();
    type('Tag, typed or scanned', 'https://yard.example/u/GE-02');
    fireEvent(screen.getByLabelText('Tag, typed or scanned'), 'submitEditing');
    await says('Something is missing', 'It leaks', 'No');
    await waitFor(() =>
      expect(server.sent.map((one) => one.body['facts'])).toEqual([
        { reference: 'B-1', atGate: { runs: 'not-tried', leaks: false, complete: true } },
        { reference: 'B-2', atGate: { runs: 'no', leaks: true, complete: false } },
      ]),
    );
    expect(order()).toEqual(['GE-02', 'GE-01', 'PW-03']);
    expect(screen.getByText('Does not run, leaks, something is missing')).toBeTruthy();
    expect(screen.getByText('Nothing amiss at the gate')).toBeTruthy();
    expect(screen.getByText('Nobody waits for it.')).toBeTruthy();
    // What is back is not among those that are out.
    expect(within(screen.getByLabelText('Out now')).queryAllByRole('button')).toEqual([]);
  });

  test('what was said may be said again; the last counts', async () => {
    const server = show(<ReturnsScreen />, yard([hire('B-1', 'GE-01')]));
    await press('GE-01');
    await says('Runs', 'Dry', 'All there');
    await press('Change GE-01');
    await says('Runs', 'It leaks', 'All there');
    expect(await screen.findByText('Leaks')).toBeTruthy();
    await waitFor(() => expect(server.sent).toHaveLength(2));
  });

  test('what is not out is said to be so, and may be checked in; what is no tag is told', async () => {
    show(<ReturnsScreen />, yard([hire('B-1', 'GE-01'), hire('B-2', 'TI-02', { classId: 'tiller' })]));
    const field = await screen.findByLabelText('Tag, typed or scanned');
    fireEvent.changeText(field, 'G');
    expect(within(screen.getByLabelText('Out now')).getAllByRole('button')).toHaveLength(1);
    fireEvent(field, 'submitEditing');
    expect(screen.getByText('A tag is two letters and figures, as PW-07.')).toBeTruthy();
    fireEvent.changeText(field, 'ge9');
    fireEvent(field, 'submitEditing');
    await press('Check in GE-09');
    expect(router.navigate).toHaveBeenLastCalledWith('/u/GE-09/check-in');
  });

  test('without a connection it is kept, and shown as noted', async () => {
    const server = show(<ReturnsScreen />, yard([hire('B-1', 'GE-01')], [line('GE-01', 'B-1', [])]));
    await screen.findByRole('button', { name: 'GE-01' });
    server.isAway = true;
    await press('GE-01');
    await says('No', 'Dry', 'All there');
    expect(await screen.findByText('Does not run')).toBeTruthy();
  });

  test('what others said stands there; the desk walks nothing', async () => {
    show(<ReturnsScreen />, yard([hire('B-1', 'GE-01', { state: 'back' })], [line('GE-01', 'B-1', ['leaks'])]), {
      ...IVO,
      role: 'counter',
    });
    expect(await screen.findByText('Leaks')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Check in GE-01' })).toBeNull();
  });

  test('an apprentice notes nothing, and walks what others noted', async () => {
    show(<ReturnsScreen />, yard([hire('B-1', 'GE-01', { state: 'back' }), hire('B-2', 'GE-02')]), {
      ...IVO,
      role: 'apprentice',
    });
    expect(await screen.findByText('A technician, the lead or the desk notes what is back.')).toBeTruthy();
    expect(screen.queryByLabelText('Tag, typed or scanned')).toBeNull();
    expect(screen.queryByRole('button', { name: /^Three taps/ })).toBeNull();
    await press('Check in GE-01');
    expect(router.navigate).toHaveBeenLastCalledWith('/u/GE-01/check-in');
  });
});
