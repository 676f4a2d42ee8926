import type { BoltPlace } from '@hudrik/core/torque';
import { Pressable, View } from 'react-native';
import { Button, Words } from '@/design';

interface Props {
  readonly places: readonly BoltPlace[];
  readonly onChange: (places: BoltPlace[]) => void;
}

const HEIGHT = 220;
/** Nearer than this to a bolt is meant for it, pixels. */
const NEAR = 24;

/** A blank flange: a tap sets a bolt, a tap on one takes it away. */
export function BoltPad({ places, onChange }: Props) {
  const tap = (at: BoltPlace) => {
    const rest = places.filter((place) => Math.hypot(place.x - at.x, place.y - at.y) > NEAR);
    onChange(rest.length < places.length ? rest : [...places, at]);
  };
  return (
    <View className="gap-2">
      <Words size={15}>Tap where each bolt stands, as on the part; tap one again to take it away.</Words>
      <Pressable
        aria-label="Places of the bolts"
        onPress={({ nativeEvent: { locationX, locationY } }) =>
          tap({ x: Math.round(locationX), y: Math.round(locationY) })
        }
        className="border-2 border-dashed border-ink bg-card"
        style={{ height: HEIGHT }}
      >
        {places.map(({ x, y }, at) => (
          <View
            key={`${x} ${y}`}
            pointerEvents="none"
            className="absolute h-[30px] w-[30px] items-center justify-center rounded-full border-2 border-ink bg-paper"
            style={{ left: x - 15, top: y - 15 }}
          >
            <Words size={13} face="figures">
              {at + 1}
            </Words>
          </View>
        ))}
      </Pressable>
      <Button
        className="self-start"
        kind="quiet"
        label="Begin anew"
        disabled={places.length === 0}
        onPress={() => onChange([])}
      />
    </View>
  );
}
