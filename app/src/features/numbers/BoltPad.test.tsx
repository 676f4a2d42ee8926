import type { BoltPlace } from '@hudrik/core/torque';
import { fireEvent, screen } from '@testing-library/react-native';
import { useState } from 'react';
import { press, show } from '@/testing/screen';
import { BoltPad } from './BoltPad';

function shown(): () => readonly BoltPlace[] {
  let now: readonly BoltPlace[] = [];
  function Kept() {
    const [places, setPlaces] = useState<readonly BoltPlace[]>([]);
    now = places;
    return <BoltPad places={places} onChange={setPlaces} />;
  }
  show(<Kept />, {});
  return () => now;
}
const tap = (locationX: number, locationY: number): void =>
  void fireEvent.press(screen.getByLabelText('Places of the bolts'), { nativeEvent: { locationX, locationY } });

describe('places of bolts set by hand', () => {
  test('a tap sets one, a tap on one takes it away, and all can be begun anew', async () => {
    const places = shown();
    tap(40.4, 50);
    tap(200, 60);
    expect(places()).toEqual([
      { x: 40, y: 50 },
      { x: 200, y: 60 },
    ]);
    // Meant for the first: within a thumb of it.
    tap(55, 60);
    expect(places()).toEqual([{ x: 200, y: 60 }]);
    await press('Begin anew');
    expect(places()).toEqual([]);
  });
});
