import { SCHOOLS } from '@hudrik/core/catalogue';
import { View } from 'react-native';
import { Choice, Section, Words } from '@/design';
import { sayMinutes } from '@/writing';

interface Props {
  readonly minutes: Readonly<Record<string, number>> | null;
  readonly ours: number;
  readonly school: string | null;
  readonly onPick: (id: string | null) => void;
}

/** Ours and the three fixed orders, with the minutes each would be expected to take from here. */
export function SchoolStrip({ minutes, ours, school, onPick }: Props) {
  const say = (id: string): string =>
    minutes?.[id] === undefined ? '…' : `about ${sayMinutes(Math.round(minutes[id]))}`;
  return (
    <Section title="Order of checks">
      <View className="flex-row flex-wrap gap-2">
        <Choice
          className="min-w-[46%] grow"
          label={`Best value first: ${sayMinutes(Math.round(ours))} at most`}
          on={school === null}
          onPress={() => onPick(null)}
        />
        {SCHOOLS.map((entry) => (
          <Choice
            key={entry.id}
            className="min-w-[46%] grow"
            label={`${entry.words}: ${say(entry.id)}`}
            on={school === entry.id}
            onPress={() => onPick(entry.id)}
          />
        ))}
      </View>
      <Words size={13} tone="ink-soft">
        Hands-on minutes until it is found and repaired. “Best value first” also counts parts, at the workshop rate.
      </Words>
    </Section>
  );
}
