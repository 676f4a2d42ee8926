import type { Suspect } from '@hudrik/core/diagnosis';
import type { Entry } from '@hudrik/core/log';
import { screen } from '@testing-library/react-native';
import { press, show } from '@/testing/screen';
import { FindHead } from './FindHead';
import { sayInTen, sayWhyStep } from './say';
import { SchoolStrip } from './SchoolStrip';
import { Seen } from './Seen';

const suspect = (id: string, probability: number): Suspect => ({ id, probability, owed: probability });
const given = { id: 'inlet-screen-blocked', probability: 0.99, by: 'look', isPutRight: false } as const;

describe('the head of a finding', () => {
  const head = (established: readonly (typeof given)[], suspects: readonly Suspect[], entries = 2) =>
    show(<FindHead tag="PW-01" diagnosis={{ established, suspects }} entries={entries} thinking={false} />, {});

  test('says nothing before anything is seen', () => {
    head([], [suspect('dirt-in-tank', 0.6)], 0);
    expect(screen.getByText('Nothing seen yet.')).toBeTruthy();
  });
  test('says what is most likely, or that it is still open', () => {
    head([], [suspect('dirt-in-tank', 0.6)]);
    expect(screen.getByText('Most likely: dirt in the tank, 60 %.')).toBeTruthy();
  });
  test('beside what was seen it says what is likeliest besides that', () => {
    head([given], [suspect(given.id, 0.99), suspect('dirt-in-tank', 0.3)]);
    expect(screen.getByText('Likeliest besides: dirt in the tank, 30 %.')).toBeTruthy();
  });
});

describe('the order of checks', () => {
  test('says about how long, and where eight in ten end; until that is reckoned, what is expected', () => {
    show(<SchoolStrip ahead={null} expected={42.4} school={null} onPick={jest.fn()} />, {});
    expect(screen.getByRole('button', { name: 'Best value first: about 42 min' })).toBeTruthy();
    expect(screen.queryByText(/eight in ten/)).toBeNull();
  });
  test('a school is picked with its own minutes', async () => {
    const onPick = jest.fn();
    const ahead = { ours: { about: 34.2, low: 8, high: 90.4 }, schools: { 'fuel-first': 55.1 } };
    show(<SchoolStrip ahead={ahead} expected={42} school={null} onPick={onPick} />, {});
    expect(screen.getByText('About 34 min; eight in ten take 8 min to 1 h 30.')).toBeTruthy();
    await press(/^Fuel first.*: about 55 min$/);
    expect(onPick).toHaveBeenCalledWith('fuel-first');
    await press('Best value first: about 34 min');
    expect(onPick).toHaveBeenLastCalledWith(null);
  });
});

describe('what counts so far', () => {
  const entry = (kind: string, facts: object): Entry => ({
    id: `${kind} ${JSON.stringify(facts)}`,
    at: '2030-03-04T09:00:00Z',
    by: 'Ivo Tarnwell',
    kind,
    facts,
    outcome: {},
  });

  test('what was seen and what is known to be so are taken back each by itself; a repair is not', async () => {
    const onTakeBack = jest.fn();
    const onUnsay = jest.fn();
    show(
      <Seen
        counting={[
          entry('seen', { observation: 'fuel-look', outcomes: ['fresh'], reading: null }),
          entry('said-so', { fault: 'coil-failed', so: true, why: 'Tried it' }),
          entry('repaired', { fault: 'plug-fouled' }),
        ]}
        unsent={new Set()}
        onTakeBack={onTakeBack}
        onUnsay={onUnsay}
      />,
      {},
    );
    expect(screen.getByText('Known to be so: coil failed')).toBeTruthy();
    expect(screen.getAllByRole('button', { name: /^Take back/ })).toHaveLength(2);
    await press(/^Take back: Fuel/);
    await press('Take back: Coil failed');
    expect([onTakeBack.mock.calls, onUnsay.mock.calls]).toEqual([[['fuel-look']], [['coil-failed']]]);
  });
});

test('odds as they are said; a given is put right because it was seen', () => {
  expect([sayInTen(0.99), sayInTen(0.94), sayInTen(0.81)]).toEqual(['as good as sure', '9 in 10', '8 in 10']);
  const step = { kind: 'repair', id: given.id, minutes: 9, expectedSaving: 4, toolsMissing: [] } as const;
  expect(sayWhyStep({ ...step, given: true }, null)).toBe('It was seen to be so. Put it right, and try it.');
  expect(sayWhyStep(step, null)).toMatch(/Likely enough to do it and try\.$/);
});
