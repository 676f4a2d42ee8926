import type { Diagnosis } from '@hudrik/core/diagnosis';
import { lookInto, type Question } from '@/workers/lookInto';
import { fireEvent, screen } from '@testing-library/react-native';
import { press, show, type } from '@/testing/screen';
import { ConfirmSheet } from './ConfirmSheet';
import { Explained } from './Explained';
import { StepsSheet } from './sheets';
import { sayFault } from './say';
import { Suspects } from './Suspects';
import { InTray } from './InTray';
import { WhileOpen } from './WhileOpen';

const question = (seen: Readonly<Record<string, string>>): Question => ({
  machine: { classId: 'pressure-washer', engine: { carburettor: 'float' }, past: {} },
  chapters: [{ seen }],
  passedOver: [],
  setUpsDone: [],
  toolsAtHand: null,
  learned: null,
  pick: null,
  order: null,
});

function shown(diagnosis: Diagnosis) {
  const onPutRight = jest.fn();
  const onConfirm = jest.fn();
  show(
    <Explained diagnosis={diagnosis} confirms confirmedBelow={null} onPutRight={onPutRight} onConfirm={onConfirm} />,
    {},
  );
  return { onPutRight, onConfirm };
}

describe('what was seen is so', () => {
  test('a blocked screen explains that it dies after a quarter of an hour: it is put right, and confirmed', async () => {
    const taps = shown(lookInto(question({ 'runs-for': '10-to-30-min', 'inlet-screen': 'dirty' })).diagnosis);
    expect(screen.getByText(/^That explains it \(\d in 10\): .*screen/)).toBeTruthy();
    await press(/^Put right now: /);
    expect(taps.onPutRight).toHaveBeenCalledWith('inlet-screen-blocked');
    await press('It is this');
    expect(taps.onConfirm).toHaveBeenCalledWith('inlet-screen-blocked');
  });

  test('a worn scraper does not explain an engine that will not fire', () => {
    const { diagnosis } = lookInto({
      ...question({ starting: 'will-not-fire', 'scraper-skids': 'worn' }),
      machine: { classId: 'snowblower', engine: {}, past: {} },
    });
    shown(diagnosis);
    expect(screen.getByText(/That does not explain all of it: look on\.$/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'It is this' })).toBeNull();
  });

  test('what stands behind it is named', () => {
    shown(lookInto(question({ starting: 'hard', 'pilot-jet': 'blocked', 'bowl-drain': 'jelly-or-rust' })).diagnosis);
    expect(screen.getByText(/: look for .* too, or it comes back\.$/)).toBeTruthy();
  });

  test('beside a card that confirms it is no main button, and none at all where that confirms the same', () => {
    const { diagnosis } = lookInto(question({ 'runs-for': '10-to-30-min', 'inlet-screen': 'dirty' }));
    const shownAs = (confirmedBelow: string | null) => {
      show(
        <Explained
          diagnosis={diagnosis}
          confirms
          confirmedBelow={confirmedBelow}
          onPutRight={jest.fn()}
          onConfirm={jest.fn()}
        />,
        {},
      );
      const main = screen.queryAllByTestId('main-action').length;
      const any = screen.queryAllByRole('button', { name: 'It is this' }).length;
      screen.unmount();
      return [main, any];
    };
    expect([null, 'coil-weak', 'inlet-screen-blocked'].map(shownAs)).toEqual([
      [1, 1],
      [0, 1],
      [0, 0],
    ]);
  });

  test('while nothing is established it says nothing', () => {
    shown(lookInto(question({ starting: 'hard' })).diagnosis);
    expect(screen.queryByText('Seen, to be put right')).toBeNull();
  });
});

test('all that was seen is confirmed, and none of it goes when another is added', async () => {
  const onConfirm = jest.fn(async () => undefined);
  const given = ['rusty-tank', 'stale-fuel', 'carb-varnished'];
  const suspects = [...given, 'valve-stuck'].map((id) => ({ id, probability: 0.5 }));
  show(
    <ConfirmSheet
      first="stale-fuel"
      given={given}
      suspects={suspects}
      tag="GE-07"
      onConfirm={onConfirm}
      onClose={jest.fn()}
    />,
    {},
  );
  await press('Valve stuck');
  await press('Confirm 4 causes');
  expect(onConfirm).toHaveBeenCalledWith(['stale-fuel', 'rusty-tank', 'carb-varnished', 'valve-stuck'], '', {});
});

test('with the bowl off, what is in it is looked at in one go: one tap a look', async () => {
  const { diagnosis } = lookInto({ ...question({ starting: 'hard', choke: 'needs-choke' }), setUpsDone: ['bowl-off'] });
  const onSeen = jest.fn();
  show(<WhileOpen steps={diagnosis.next} setUpsDone={['bowl-off']} but="main-jet" onSeen={onSeen} />, {});
  expect(screen.getByText(/^bowl off: \d+ min for all of these\.$/)).toBeTruthy();
  // What stands on top already is not offered twice; what is behind another cover is not.
  expect(screen.queryByText('Main jet')).toBeNull();
  expect(screen.queryByText('Pilot jet')).toBeNull();
  await press(/^Emulsion tube.*: blocked$/);
  expect(onSeen).toHaveBeenCalledWith('emulsion-tube', ['blocked']);
});

test('nothing is open: nothing is offered', () => {
  const { diagnosis } = lookInto(question({ starting: 'hard' }));
  show(<WhileOpen steps={diagnosis.next} setUpsDone={[]} but={undefined} onSeen={jest.fn()} />, {});
  expect(screen.queryByText('While it is open')).toBeNull();
});

describe('the search finds what a person would type', () => {
  const { diagnosis } = lookInto(question({ starting: 'hard', choke: 'needs-choke', 'fuel-look': 'stale' }));
  test.each([
    ['emulsion', /^Emulsion tube/],
    ['kilo ohm', /^Coil/],
    ['put right', /^Repair: /],
  ])('%s', (typed, found) => {
    show(<StepsSheet steps={diagnosis.next} onPick={jest.fn()} onClose={jest.fn()} />, {});
    type('Find a check', typed);
    expect(screen.getAllByRole('button', { name: found }).length).toBeGreaterThan(0);
    expect(screen.queryByRole('button', { name: /^Fuel cap/ })).toBeNull();
  });
});

test('known to be so without a look: said with how, from its why', async () => {
  const { diagnosis } = lookInto(question({ starting: 'will-not-fire' }));
  const onSaySo = jest.fn();
  show(<Suspects diagnosis={diagnosis} since="so far" confirms onConfirm={jest.fn()} onSaySo={onSaySo} />, {});
  const [first] = diagnosis.suspects.filter((one) => one.id !== 'user-error');
  fireEvent.press(
    screen.getAllByRole('button', { name: new RegExp(`^${sayFault(first?.id ?? '')}, .*: why`) })[0] as never,
  );
  await press('I know that it is so …');
  expect(screen.getByText('Say how you know.')).toBeTruthy();
  type('How you know', 'Tried on another engine');
  await press('It is so');
  expect(onSaySo).toHaveBeenCalledWith(first?.id, 'Tried on another engine');
});

test('what came off for the looks lies in the tray, each once; with nothing off nothing is said', () => {
  const look = (observation: string) => ({
    id: observation,
    at: '2030-03-04T09:00:00Z',
    by: 'Ivo',
    kind: 'seen',
    facts: { observation, outcomes: ['x'], reading: null },
    outcome: {},
  });
  show(<InTray tag="GE-07" jobId="7" entries={[look('fuel-look')]} />, {});
  expect(screen.queryByText(/^Into the tray/)).toBeNull();
  show(<InTray tag="GE-07" jobId="7" entries={['kill-wire-off', 'plug-look', 'plug-gap'].map(look)} />, {});
  expect(screen.getByText('To its card')).toBeTruthy();
  expect(
    screen.getByText('Into the tray: blower housing with the starter, kill wire, plug lead and plug.'),
  ).toBeTruthy();
});
