import type { Diagnosis } from '@hudrik/core/diagnosis';
import { View } from 'react-native';
import { Words } from '@/design';
import { StandingNotes } from '@/features/sheet';
import { sayFault, sayPercent } from './say';

/** The unit, and what is most likely wrong with it. */
export function FindHead({
  tag,
  diagnosis,
  entries,
  thinking,
}: {
  readonly tag: string | null;
  readonly diagnosis: Pick<Diagnosis, 'suspects' | 'established'>;
  readonly entries: number;
  readonly thinking: boolean;
}) {
  const isGiven = (id: string): boolean => diagnosis.established.some((one) => one.id === id);
  const top = diagnosis.suspects.find((one) => !isGiven(one.id));
  const besides = diagnosis.established.length > 0;
  const sure = top !== undefined && entries > 0 && top.probability >= 0.5;
  return (
    <View className="gap-1">
      <Words face="stencil" size={32} role="heading" aria-level={1}>
        {tag ?? 'Find the fault'}
      </Words>
      <Words face="strong" aria-live="polite" tone={thinking ? 'ink-soft' : 'ink'}>
        {top === undefined || entries === 0
          ? 'Nothing seen yet.'
          : sure
            ? `Most likely${besides ? ' besides' : ''}: ${sayFault(top.id).toLowerCase()}, ${sayPercent(top.probability)}.`
            : `${besides ? 'Likeliest besides' : 'Still open. Most likely so far'}: ${sayFault(top.id).toLowerCase()}, ${sayPercent(top.probability)}.`}
      </Words>
      <StandingNotes tag={tag} place="finding" />
    </View>
  );
}
