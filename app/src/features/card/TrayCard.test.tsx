import { ledgerOf } from '@hudrik/core/teardown';
import { render, screen } from '@testing-library/react-native';
import { HowItSat } from './Ledger';
import { TrayCard } from './TrayCard';

const off = (thingId: string, what: string, place: number, more: object = {}) => ({
  kind: 'taken-off',
  facts: {
    thingId,
    what,
    key: null,
    tray: 'A',
    place,
    fasteners: [],
    orientation: '',
    linkHole: '',
    stack: [],
    quarterTurns: null,
    ...more,
  },
});
const back = (thingId: string) => ({ kind: 'put-back', facts: { thingId } });

describe('the tray’s card', () => {
  test('says what lies in which hole; what is back is gone from it', () => {
    const { things } = ledgerOf([off('a', 'Air box', 1), off('b', 'Fuel hose', 2), back('a')]);
    render(<TrayCard things={things} tray="A" next={1} />);
    expect(screen.getByLabelText('Tray A: 2 Fuel hose')).toBeTruthy();
  });

  test('an empty tray says so', () => {
    render(<TrayCard things={[]} tray="B" next={1} />);
    expect(screen.getByLabelText('Tray B: empty')).toBeTruthy();
  });
});

describe('how a thing sat', () => {
  const [thing] = ledgerOf([
    off('a', 'Carburettor', 1, {
      fasteners: [{ count: 2, size: 'M6 nut', place: 'studs' }],
      orientation: 'Bowl down',
      linkHole: '2 of 3',
      stack: ['gasket', 'insulator', 'shield'],
      quarterTurns: 6,
    }),
  ]).things;

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
