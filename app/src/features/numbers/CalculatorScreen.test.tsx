import { CALCULATORS } from '@hudrik/core/calculators';
import { fireEvent, screen } from '@testing-library/react-native';
import { router } from 'expo-router';
import { IVO, press, show, type } from '@/testing/screen';
import { CalculatorScreen } from './CalculatorScreen';
import { NumbersScreen } from './NumbersScreen';
import { TorqueScreen } from './TorqueScreen';

describe('a bench sum', () => {
  test.each(CALCULATORS.map((entry) => [entry.id, entry] as const))(
    '%s stands with a result, its formula and its source',
    async (id, calculator) => {
      show(<CalculatorScreen id={id} />, {});
      expect(await screen.findByText(calculator.name)).toBeTruthy();
      expect(screen.getByText(calculator.formula)).toBeTruthy();
      expect(screen.getByText(calculator.source)).toBeTruthy();
      expect(screen.queryByText('–')).toBeNull();
    },
  );

  test('figures that are none are said; values that make no sense together too', async () => {
    show(<CalculatorScreen id="leak-down" />, {});
    await screen.findByText('Leak-down');
    type('Supply, psi', 'eighty');
    expect(screen.getByText('Enter a number, with at most one point.')).toBeTruthy();
    type('Supply, psi', '40');
    type('Cylinder holds, psi', '60');
    expect(screen.getByText('These values make no sense together.')).toBeTruthy();
    type('Cylinder holds, psi', '20');
    expect(screen.getByText('50')).toBeTruthy();
  });

  test('units are switched line by line; a metric person reads metric first', async () => {
    show(<CalculatorScreen id="leak-down" />, {}, {
      ...IVO,
      preferences: { units: 'metric', theme: 'light' },
    } as never);
    expect(await screen.findByLabelText(/^Supply, kPa$/)).toBeTruthy();
    await press('Supply in bar');
    expect(screen.getByLabelText(/^Supply, bar$/)).toBeTruthy();
  });

  test('the last values are there the next time', async () => {
    show(<CalculatorScreen id="duty-cycle" />, {});
    await screen.findByText('Welder’s duty cycle');
    type('Setting, A', '155');
    screen.unmount();
    show(<CalculatorScreen id="duty-cycle" />, {});
    expect(await screen.findByDisplayValue('155')).toBeTruthy();
  });
});

describe('all the sums', () => {
  test('are found by a word', async () => {
    show(<NumbersScreen />, {});
    type('Find a calculation', 'belt');
    expect(screen.getByText('Belt ratio')).toBeTruthy();
    expect(screen.queryByText('Leak-down')).toBeNull();
    fireEvent.press(screen.getByLabelText('Belt ratio'));
    expect(router.navigate).toHaveBeenLastCalledWith('/numbers/belt-ratio');
    type('Find a calculation', 'horoscope');
    expect(screen.getByText('No calculation matches “horoscope”.')).toBeTruthy();
  });
});

describe('tightening (common practice: 8 to turn and 40 wanted are 48 on the wrench)', () => {
  test('settings with drag, bolt after bolt, and back', async () => {
    show(<TorqueScreen />, {});
    type('Wanted, lbf·ft', '40');
    type('Drag just to turn it, lbf·ft', '8');
    expect(screen.getByText('a third 21.3 · two thirds 34.7 · full 48.0 · once round 48.0')).toBeTruthy();
    expect(screen.getByText('lbf·ft, a third')).toBeTruthy();
    for (let n = 0; n < 4; n++) await press('This one is done');
    expect(screen.getByText('lbf·ft, two thirds')).toBeTruthy();
    await press('Undo the last one');
    expect(screen.getByText('lbf·ft, a third')).toBeTruthy();
  });

  test('a drag that comes near what is wanted means nothing', async () => {
    show(<TorqueScreen />, {});
    type('Wanted, lbf·ft', '10');
    type('Drag just to turn it, lbf·ft', '9');
    expect(screen.getByText(/^The drag is nearly as large as the wanted torque/)).toBeTruthy();
  });
});
