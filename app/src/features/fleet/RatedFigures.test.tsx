import type { Rated } from '@hudrik/core/catalogue';
import { screen } from '@testing-library/react-native';
import { useState } from 'react';
import { press, show, type } from '@/testing/screen';
import { RatedFigures } from './RatedFigures';

function shown(classId: string, begun: Rated = {}): { readonly rated: () => Rated } {
  let now = begun;
  function Kept() {
    const [rated, setRated] = useState(begun);
    now = rated;
    return <RatedFigures classId={classId} rated={rated} onChange={setRated} />;
  }
  show(<Kept />, {});
  return { rated: () => now };
}

describe('what is on the plate', () => {
  test('of a generator: hertz, volts and how its speed is held, with what is usual', async () => {
    const sheet = shown('generator');
    type('Frequency, Hz (usual: 60)', '50');
    type(/^Volts, V/, '230,5');
    await press('Inverter');
    expect(sheet.rated()).toEqual({ hertz: 50, volts: 230.5, governor: 'inverter' });
    type('Frequency, Hz (usual: 60)', '');
    expect(sheet.rated().hertz).toBeUndefined();
  });

  test('what is no figure is said and not kept', () => {
    const sheet = shown('generator', { hertz: 50 });
    type('Frequency, Hz (usual: 60)', 'fifty');
    expect(screen.getByText('Enter figures, as 230.')).toBeTruthy();
    expect(sheet.rated().hertz).toBeUndefined();
  });

  test('each class is asked for its own', () => {
    shown('welder');
    expect(screen.getByLabelText(/^Open-circuit volts, V/)).toBeTruthy();
    expect(screen.queryByLabelText(/^Frequency/)).toBeNull();
    expect(screen.queryByRole('button', { name: 'Inverter' })).toBeNull();
  });
});
