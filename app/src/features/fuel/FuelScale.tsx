import { Pressable, View } from 'react-native';
import { Words } from '@/design';
import { sayFuel } from '@/writing';

const EIGHTHS = [0, 1, 2, 3, 4, 5, 6, 7, 8];

/** How full a tank is, by eighths, as one sees it. */
export function FuelScale({
  eighths,
  onPick,
}: {
  readonly eighths: number | null;
  readonly onPick: (eighths: number) => void;
}) {
  return (
    <View className="h-[64px] flex-row items-end gap-1" role="group" aria-label="Fuel level">
      {EIGHTHS.map((level) => (
        <Pressable
          key={level}
          role="button"
          aria-label={`Fuel ${sayFuel(level)}`}
          aria-pressed={eighths === level}
          onPress={() => onPick(level)}
          className="h-full flex-1 justify-end"
        >
          <View
            className={`items-center justify-end border-2 ${eighths !== null && level <= eighths ? 'border-mark bg-mark' : 'border-line bg-paper'}`}
            style={{ height: `${44 + level * 7}%` }}
          >
            <Words face="figures" size={15} tone={eighths !== null && level <= eighths ? 'on-mark' : 'ink'}>
              {level === 0 ? 'E' : level === 8 ? 'F' : level === 4 ? '½' : level}
            </Words>
          </View>
        </Pressable>
      ))}
    </View>
  );
}
