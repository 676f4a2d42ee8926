import { screen, waitFor } from '@testing-library/react-native';
import { cardReply, entryOf, STEPS, taking, thingOf } from '@/testing/cardReply';
import { press, show, type, type Sent } from '@/testing/screen';
import { PutBackScreen } from './PutBackScreen';

const kinds = (sent: readonly Sent[]): unknown[] => sent.map((one) => one.body['kind']);
const off = [
  STEPS,
  entryOf('taken-off', thingOf('a', 'Air box', 1)),
  entryOf('taken-off', thingOf('b', 'Bowl', 2)),
  entryOf('taken-off', thingOf('c', 'Float', 3)),
];

describe('putting back', () => {
  test('walks in reverse, one thing a screen, until nothing is left over', async () => {
    const server = show(<PutBackScreen jobId="7" />, taking(off));
    for (const [what, at] of [
      ['Float', '1 of 3'],
      ['Bowl', '2 of 3'],
      ['Air box', '3 of 3'],
    ] as const) {
      expect(await screen.findByText(what)).toBeTruthy();
      expect(screen.getByText(at)).toBeTruthy();
      await press('It is back on');
    }
    expect(await screen.findByText('Nothing is left over.')).toBeTruthy();
    await waitFor(() =>
      expect(server.sent.map((one) => (one.body['facts'] as { thingId: string }).thingId)).toEqual(['c', 'b', 'a']),
    );
  });

  test('a thing stays off with a reason only', async () => {
    const server = show(<PutBackScreen jobId="7" />, taking(off));
    await press('Replaced, or left off on purpose');
    await press('Stays as it is');
    expect(screen.getByRole('button', { name: 'Save', disabled: true })).toBeTruthy();
    type('Why', 'Bolt would snap');
    await press('Save');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        kind: 'struck-off',
        facts: { thingId: 'c', why: 'Bolt would snap' },
      }),
    );
  });

  test('replaced by a part of the card; the old one is kept as an exchange part', async () => {
    const part = {
      id: 'l',
      jobId: '7',
      tag: 'GE-07',
      asked: 'TV-1180',
      number: 'TV-1182',
      name: 'Gasket set',
      count: 1,
      cents: 790,
      state: 'arrived',
      place: '',
      orderId: null,
      expectedAt: null,
      late: false,
      inStock: 0,
    } as const;
    const server = show(<PutBackScreen jobId="7" />, taking(off, { parts: [part] }));
    await press('Replaced, or left off on purpose');
    await press('TV-1182');
    await press('Keep the old one as an exchange part');
    await press('Save');
    await waitFor(() => expect(kinds(server.sent)).toEqual(['replaced', 'part-kept']));
    expect(server.sent[1]?.body).toMatchObject({ jobId: '7', facts: { name: 'Float', place: 'Tray A 3' } });
  });

  test('what is on for the trial only comes last, and must be replaced', async () => {
    show(
      <PutBackScreen jobId="7" />,
      taking([...off.slice(0, 2), entryOf('replaced', { thingId: 'a', part: 'old gasket', forTrial: true })]),
    );
    expect(await screen.findByText('On for the trial only (old gasket). Replace it before the proof.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'It is back on' })).toBeNull();
  });

  test('a card with nothing off says so', async () => {
    show(<PutBackScreen jobId="7" />, { 'GET /api/jobs/7/card': cardReply([STEPS]) });
    expect(await screen.findByText('Nothing is left over.')).toBeTruthy();
  });
});
