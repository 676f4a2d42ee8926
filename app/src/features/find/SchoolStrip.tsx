import { SCHOOLS } from '@hudrik/core/catalogue';
import type { TimeLeft } from '@hudrik/core/diagnosis';
import { View } from 'react-native';
import { Choice, Section, Words } from '@/design';
import type { Ahead } from '@/workers/lookInto';
import { sayMinutes } from '@/writing';

interface Props {
  readonly ahead: Ahead | null;
  /** Until it is reckoned on drawn machines: what is expected. */
  readonly expected: number;
  readonly school: string | null;
  readonly onPick: (id: string | null) => void;
}

/** Ours and the three fixed orders, with the minutes each would be expected to take from here. */
export function SchoolStrip({ ahead, expected, school, onPick }: Props) {
  const say = (id: string): string =>
    ahead?.schools[id] === undefined ? '…' : `about ${sayMinutes(Math.round(ahead.schools[id]))}`;
  return (
    <Section title="Order of checks">
      <View className="flex-row flex-wrap gap-2">
        <Choice
          className="min-w-[46%] grow"
          label={`Best value first: about ${sayMinutes(Math.round(ahead?.ours.about ?? expected))}`}
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
      {ahead ? <Span left={ahead.ours} /> : null}
      <Words size={13} tone="ink-soft">
        Hands-on minutes until it is found and repaired. “Best value first” also counts parts, at the workshop rate.
      </Words>
    </Section>
  );
}

/** Where eight in ten end: a rule from nothing to twice the usual and beyond. */
function Span({ left: { about, low, high } }: { readonly left: TimeLeft }) {
  const whole = Math.max(high * 1.15, 1);
  const at = (minutes: number): `${number}%` => `${Math.min((100 * minutes) / whole, 100)}%`;
  const said = `About ${sayMinutes(Math.round(about))}; eight in ten take ${sayMinutes(Math.round(low))} to ${sayMinutes(Math.round(high))}.`;
  return (
    <View className="gap-1">
      <View className="h-[14px] border border-line bg-paper" aria-hidden>
        <View
          className="absolute bottom-0 top-0 bg-card-edge"
          style={{ left: at(low), width: at(Math.max(high - low, 1)) }}
        />
        <View className="absolute bottom-0 top-0 w-[3px] bg-ink" style={{ left: at(about) }} />
      </View>
      <Words size={15}>{said}</Words>
    </View>
  );
}
