import { entryOf, SET_UPS, type SetUp } from '@hudrik/core/catalogue';
import type { Step } from '@hudrik/core/diagnosis';
import { View } from 'react-native';
import { Button, Section, Words } from '@/design';
import { sayMinutes } from '@/writing';
import { observationOf } from './say';

interface Props {
  readonly steps: readonly Step[];
  readonly setUpsDone: readonly string[];
  /** The step that stands on top already. */
  readonly but: string | undefined;
  readonly onSeen: (observation: string, outcomes: readonly string[]) => void;
}

/** What costs no more than this, now that it is open, is looked at in one go. */
const A_MOMENT = 3;
const MOST = 6;

/** With the bowl off: what can be looked at there now for a minute or two each, one tap a look. */
export function WhileOpen({ steps, setUpsDone, but, onSeen }: Props) {
  const within = steps.filter((step) => isWithin(step, setUpsDone) && step.id !== but).slice(0, MOST);
  if (within.length === 0) return null;
  const minutes = within.reduce((sum, step) => sum + step.minutes, 0);
  const open = setUpsDone.map((id) => (entryOf<SetUp>(SET_UPS, id)?.words ?? id).toLowerCase());
  return (
    <Section title="While it is open" count={within.length}>
      <Words size={15} tone="ink-soft">{`${open.join(', ')}: ${sayMinutes(minutes)} for all of these.`}</Words>
      {within.map(({ id }) => {
        const { words, outcomes } = observationOf(id);
        return (
          <View key={id} className="gap-2 border-b border-line py-2" role="group" aria-label={words}>
            <Words face="strong">{words}</Words>
            <View className="flex-row flex-wrap gap-2">
              {Object.entries(outcomes).map(([outcome, [label]]) => (
                <Button
                  key={outcome}
                  label={label}
                  aria-label={`${words}: ${label.toLowerCase()}`}
                  onPress={() => onSeen(id, [outcome])}
                />
              ))}
            </View>
          </View>
        );
      })}
    </Section>
  );
}

/** A look that needs what is off already, and nothing more. */
function isWithin({ kind, id, minutes, toolsMissing }: Step, setUpsDone: readonly string[]): boolean {
  const { setUps = [], reading, several } = observationOf(id);
  return (
    kind === 'check' &&
    toolsMissing.length === 0 &&
    reading === undefined &&
    several !== true &&
    setUps.length > 0 &&
    setUps.every((setUp) => setUpsDone.includes(setUp)) &&
    minutes <= A_MOMENT
  );
}
