import { cardOf } from '@hudrik/core/log';
import { render, screen } from '@testing-library/react-native';
import { entryOf, thingOf } from '@/testing/cardReply';
import { HowItSat } from './Ledger';
import { TrayCard } from './TrayCard';

const off = (thingId: string, what: string, place: number, more: object = {}) =>
  entryOf('taken-off', { ...thingOf(thingId, what, place), ...more });
const back = (thingId: string) => entryOf('put-back', { thingId });

describe('the tray’s card', () => {
  test('says what lies in which hole; what is back is gone from it', () => {
    const { things } = cardOf([off('a', 'Air box', 1), off('b', 'Fuel hose', 2), back('a')]).ledger;
    render(<TrayCard things={things} tray="A" next={1} />);
    expect(screen.getByLabelText('Tray A: 2 Fuel hose')).toBeTruthy();
  });

  test('an empty tray says so', () => {
    render(<TrayCard things={[]} tray="B" next={1} />);
    expect(screen.getByLabelText('Tray B: empty')).toBeTruthy();
  });
});

describe('how a thing sat', () => {
  const [thing] = cardOf([
    off('a', 'Carburettor', 1, {
      fasteners: [{ count: 2, size: 'M6 nut', place: 'studs' }],
      orientation: 'Bowl down',
      linkHole: '2 of 3',
      stack: ['gasket', 'insulator', 'shield'],
      quarterTurns: 6,
    }),
  ]).ledger.things;

  test('is told as it came off, and in reverse as it goes on', () => {
    render(<HowItSat thing={thing as never} />);
    for (const line of [
      '2 × M6 nut: studs',
      'Bowl down',
      'Link in hole 2 of 3',
      'Came off in this order: gasket · insulator · shield',
      '1½ turns out from lightly seated',
    ])
      expect(screen.getByText(line)).toBeTruthy();
    screen.unmount();
    render(<HowItSat thing={thing as never} reverse />);
    expect(screen.getByText('Goes on in this order: shield · insulator · gasket')).toBeTruthy();
  });
});
