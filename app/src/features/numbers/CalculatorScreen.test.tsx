import { saySource } from '@hudrik/core/catalogue';
import { CALCULATORS } from '@hudrik/core/calculators';
import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { router } from 'expo-router';
import { EMPTY_SHEET } from '@hudrik/core/contracts';
import { unitSheet } from '@/testing/samples';
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
      expect(screen.getByText(`${calculator.sources.map(saySource).join('. ')}.`)).toBeTruthy();
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

  test('a water shake is drawn as it stands in the tube', async () => {
    show(<CalculatorScreen id="ethanol-by-shake" />, {});
    await screen.findByText('Ethanol by water shake');
    expect(screen.getByLabelText('After the shake the water has grown by 10 in 100 of the fuel')).toBeTruthy();
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

  test('switching the unit converts the figure that stands there, there and back', async () => {
    show(<CalculatorScreen id="leak-down" />, {});
    await screen.findByText('Leak-down');
    type('Supply, psi', '80');
    await press('Supply in kPa');
    expect(screen.getByLabelText('Supply, kPa').props.value).toBe('551.581');
    await press('Supply in psi');
    expect(screen.getByLabelText('Supply, psi').props.value).toBe('80');
  });

  test('a comma is a decimal; a temperature may be below nought, in either scale', async () => {
    show(<CalculatorScreen id="battery-state" />, {});
    await screen.findByText('Battery by rest volts');
    type('Rest volts, V', '12,6');
    type('Temperature, °F', '-4');
    await press('Temperature in °C');
    expect(screen.getByLabelText('Temperature, °C').props.value).toBe('-20');
    expect(screen.getByText(/Good\./)).toBeTruthy();
    await press('24 V');
    expect(screen.getByText(/Is it one of 12 V\?/)).toBeTruthy();
  });

  test('for a unit its model’s sheet judges, and says so; its plate is filled in', async () => {
    const sheet = unitSheet({
      dataSheet: { ...EMPTY_SHEET, limits: { plugGapInch: [0.02, 0.024] }, rated: { hertz: 50 } },
    });
    show(<CalculatorScreen id="gap" tag="GE-07" />, { 'GET /api/units/GE-07/sheet': sheet });
    expect(await screen.findByText(/its own figures count/)).toBeTruthy();
    type('Measured, in', '0.03');
    expect(screen.getByText('0.006')).toBeTruthy();
    await press('Where from: Judged by: the model’s own data sheet');
    expect(screen.getByText('The model’s own data sheet')).toBeTruthy();
    screen.unmount();
    show(<CalculatorScreen id="speed-and-hertz" tag="GE-07" />, { 'GET /api/units/GE-07/sheet': sheet });
    expect(await screen.findByText('3000')).toBeTruthy();
    screen.unmount();
    // A plate of 100 mm is a bore of 3.94 in.
    const splitter = unitSheet({ rated: { bore: 100, pressure: 200 } });
    show(<CalculatorScreen id="ram-force" tag="LS-03" />, { 'GET /api/units/LS-03/sheet': splitter });
    await waitFor(() => expect(screen.getByLabelText('Bore, in').props.value).toBe('3.94'));
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

  test('an extension wants its arm, and how the drag was read; each unit shows the same torque', async () => {
    show(<TorqueScreen />, {});
    type('Wanted, lbf·ft', '60');
    type('Drag just to turn it, lbf·ft', '8');
    type('Extension in line', '12');
    expect(screen.getByText(/^Was the drag read with the extension on/)).toBeTruthy();
    await press('Drag read without it');
    expect(screen.getByText(/enter the arm of the wrench too/)).toBeTruthy();
    type('Wrench arm', '12');
    expect(screen.getByText(/full 34\.0/)).toBeTruthy();
    await press('Drag read with the extension on');
    expect(screen.getByText(/full 38\.0/)).toBeTruthy();
    await press('N·m');
    expect(screen.getByLabelText('Wanted, N·m').props.value).toBe('81.349');
  });

  test('a ring of nine is drawn in its order; the model’s own pattern and long bolts come first', async () => {
    show(<TorqueScreen />, {});
    await press('Ring');
    for (let n = 4; n < 9; n++) await press('One bolt more');
    expect(screen.getByLabelText('Order of tightening: 1, 5, 9, 4, 8, 3, 7, 2, 6')).toBeTruthy();
    screen.unmount();
    const torques = [
      { what: 'Head', value: 24, unit: 'N·m', threads: 'oiled', places: [], order: [2, 1, 4, 3], long: [1, 3] },
    ] as const;
    show(<TorqueScreen tag="GE-07" torqueAt={0} />, {
      'GET /api/units/GE-07/sheet': unitSheet({ dataSheet: { ...EMPTY_SHEET, torques: [...torques] } }),
    });
    expect(await screen.findByText('Long bolts go in the holes with two rings.')).toBeTruthy();
    expect(screen.getByLabelText('Order of tightening: 2, 1, 4, 3')).toBeTruthy();
    expect(screen.getByText(/full 24\.0/)).toBeTruthy();
  });

  test('a drag that comes near what is wanted means nothing', async () => {
    show(<TorqueScreen />, {});
    type('Wanted, lbf·ft', '10');
    type('Drag just to turn it, lbf·ft', '9');
    expect(screen.getByText(/^The drag is nearly as large as the wanted torque/)).toBeTruthy();
  });
});
