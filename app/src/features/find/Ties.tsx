import { COMPLAINTS, ENDED, FAULTS } from '@hudrik/core/catalogue';
import type { Defect } from '@hudrik/core/contracts';
import { explainedBy } from '@hudrik/core/defects';
import { View } from 'react-native';
import { Choice, Words } from '@/design';
import { sayFault } from './say';

/** By what was told: the causes that a person says explain it. What is not in it is as proposed. */
export type Tied = Readonly<Record<string, readonly string[]>>;

/** The causes of these that show what was told often enough to explain it. */
function proposed(told: Defect, causes: readonly string[]): readonly string[] {
  const shows = [...COMPLAINTS, ...ENDED].find(({ id }) => id === told.origin.id)?.shows;
  return shows ? explainedBy(FAULTS, causes, shows) : [];
}

const tiedTo = (told: Defect, causes: readonly string[], tied: Tied): readonly string[] =>
  (tied[told.id] ?? proposed(told, causes)).filter((cause) => causes.includes(cause));

/** As an entry has it, ids of what was told by cause; nothing where all is as proposed. */
export function explainsOf(told: readonly Defect[], causes: readonly string[], tied: Tied) {
  if (Object.keys(tied).length === 0) return {};
  const explains = Object.fromEntries(
    causes.map((cause) => [cause, told.filter((one) => tiedTo(one, causes, tied).includes(cause)).map(({ id }) => id)]),
  );
  return { explains };
}

interface Props {
  readonly told: readonly Defect[];
  readonly causes: readonly string[];
  readonly tied: Tied;
  readonly onChange: (tied: Tied) => void;
}

/** What was told closes with the causes that explain it; what none explains stays open. */
export function Ties({ told, causes, tied, onChange }: Props) {
  if (told.length === 0 || causes.length === 0) return null;
  return (
    <View className="gap-3">
      <Words face="strong">What does that explain?</Words>
      {told.map((one) => {
        const by = tiedTo(one, causes, tied);
        const toggle = (cause: string) =>
          onChange({ ...tied, [one.id]: by.includes(cause) ? by.filter((id) => id !== cause) : [...by, cause] });
        return (
          <View key={one.id} className="gap-2 border-l-[6px] border-line pl-3" role="group" aria-label={one.sentence}>
            <Words>{one.sentence}</Words>
            <View className="flex-row flex-wrap gap-2">
              {causes.map((cause) => (
                <Choice key={cause} label={sayFault(cause)} on={by.includes(cause)} onPress={() => toggle(cause)} />
              ))}
            </View>
            {by.length === 0 ? <Words size={15}>Stays open: none of these explains it.</Words> : null}
          </View>
        );
      })}
    </View>
  );
}
