import { nth } from '@hudrik/core/typed';
import { screen, waitFor, within } from '@testing-library/react-native';
import { IVO, press, show, type } from '@/testing/screen';
import { ReadingEntry } from './ReadingEntry';

const entry = (observation: string, onReading: (outcome: string, reading: object) => void = jest.fn()) => (
  <ReadingEntry
    observation={observation}
    machine={{ engine: { release: false }, past: {} }}
    altitudeM={0}
    limits={null}
    onReading={onReading}
  />
);
const units = () =>
  within(screen.getByLabelText('Unit'))
    .getAllByRole('button')
    .map((one) => one.props['accessibilityLabel']);

describe('a reading', () => {
  test('is taken as it was written, in the unit behind it', async () => {
    const onReading = jest.fn();
    show(entry('coil-resistance', onReading), {});
    type('Secondary, Ω', '4,24 kΩ');
    expect(screen.getByLabelText('Secondary, kΩ')).toBeTruthy();
    await press(/^Take it/);
    expect(onReading).toHaveBeenCalledWith(expect.anything(), { value: 4.24, unit: 'kohm' });
  });

  test('that no gauge shows is doubted; what was likely meant is one tap', async () => {
    const onReading = jest.fn();
    show(entry('plug-gap', onReading), {});
    type('Gap, in', '28');
    expect(screen.getByText('28 in is hardly likely. Was it thou?')).toBeTruthy();
    await press('It was thou');
    expect(screen.queryByText(/hardly likely/)).toBeNull();
    await press(/^Take it/);
    expect(onReading).toHaveBeenCalledWith(expect.anything(), { value: 28, unit: 'thou' });
  });

  test('turned into another unit is the same reading; where it comes from is a tap away', async () => {
    const onReading = jest.fn();
    show(entry('plug-gap', onReading), {});
    type('Gap, in', '0,040');
    expect(screen.getByText('Too large by 0.0065 in. Tap the side electrode in.')).toBeTruthy();
    await press('mm');
    expect(screen.getByLabelText('Gap, mm').props.value).toBe('1.016');
    await press('Where from: Limits: common practice');
    expect(screen.getByText('Common practice; no document. A data sheet comes first.')).toBeTruthy();
    await press(/^Take it/);
    expect(onReading).toHaveBeenCalledWith('wide', { value: 1.016, unit: 'mm' });
  });

  test('of a battery is asked of how many volts it is: one of 24 V is judged as two of 12', async () => {
    const onReading = jest.fn();
    show(entry('battery', onReading), {});
    await press('A battery of 24 V');
    type('Volts at rest, V', '24,7');
    await press(/^Take it/);
    expect(onReading).toHaveBeenLastCalledWith('weak', { value: 24.7, unit: 'V', nominal: 24 });
    type('Volts at rest, V', '24.8');
    await press(/^Take it/);
    expect(onReading).toHaveBeenLastCalledWith('good', { value: 24.8, unit: 'V', nominal: 24 });
  });

  test('with no likely meaning is to be read again', () => {
    show(entry('compression'), {});
    type('Gauge, psi', '99999');
    expect(screen.getByText('No gauge shows 99,999 psi here. Read it again.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^It was/ })).toBeNull();
    type('Gauge, psi', 'lots');
    expect(screen.getByText('Enter a figure, in psi, kPa or bar.')).toBeTruthy();
  });

  test('the unit of last time stands first next time; before that, what the person is used to', async () => {
    show(entry('compression'), {}, { ...IVO, preferences: { units: 'metric', theme: 'light' } });
    expect(units()).toEqual(['kPa', 'psi', 'bar']);
    await press('bar');
    type('Gauge, bar', '8');
    await press(/^Take it/);
    screen.unmount();
    show(entry('compression'), {});
    await waitFor(() => expect(nth(units(), 0)).toBe('bar'));
    expect(screen.getByLabelText('Gauge, bar')).toBeTruthy();
  });
});
