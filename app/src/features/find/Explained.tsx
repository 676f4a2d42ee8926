import { BRINGS, faultOf, type FaultId } from '@hudrik/core/catalogue';
import type { Diagnosis, EstablishedFault } from '@hudrik/core/diagnosis';
import { keysOf } from '@hudrik/core/typed';
import { View } from 'react-native';
import { Button, Section, Words } from '@/design';
import { sayFault, sayInTen } from './say';

interface Props {
  readonly diagnosis: Pick<Diagnosis, 'established' | 'enough' | 'suspects'>;
  readonly confirms: boolean;
  /** The cause that the card below this confirms; null while it confirms none: then this is what comes next. */
  readonly confirmedBelow: string | null;
  readonly onPutRight: (id: string) => void;
  readonly onConfirm: (id: string) => void;
}

/** From this on it is said that what was seen explains all. */
const EXPLAINS = 0.8;
/** From this on something may well stand behind. */
const BEHIND = 0.3;
/** A parent at these odds is named. */
const LIKELY_PARENT = 0.15;

/** What was seen to be so: whether that is enough, and what is to be put right. Nothing while nothing is. */
export function Explained({ diagnosis, confirms, confirmedBelow, onPutRight, onConfirm }: Props) {
  const { established, enough } = diagnosis;
  const given = established.filter((one) => !one.isPutRight);
  const [first] = given;
  if (first === undefined) return null;
  const isEnough = enough !== null && enough.probability >= EXPLAINS;
  // One button for one thing: where the card below confirms the same, it stands there.
  const isBelow = given.length === 1 && first.id === confirmedBelow;
  return (
    <View className="gap-3 border-2 border-ink bg-card p-4">
      <Words role="status" size={22} face="strong">
        {sayEnough(given, enough)}
      </Words>
      {enough !== null && isEnough && 1 - enough.alone >= BEHIND ? (
        <Words>Something may stand behind it: prove it under load.</Words>
      ) : null}
      {parentsOf(diagnosis).map(([child, parent]) => (
        <Words key={`${child} ${parent}`}>
          {`${sayFault(child)}: look for ${sayFault(parent).toLowerCase()} too, or it comes back.`}
        </Words>
      ))}
      <Section title="Seen, to be put right" count={given.length}>
        {given.map(({ id, probability }) => (
          <View key={id} className="flex-row flex-wrap items-center gap-3 border-b border-line py-2">
            <View className="min-w-[150px] flex-1">
              <Words face="strong">{sayFault(id)}</Words>
              <Words size={13} tone="ink-soft">{`${faultOf(id)?.repair.title ?? ''} · ${sayInTen(probability)}`}</Words>
            </View>
            <Button
              label="Put right now"
              aria-label={`Put right now: ${sayFault(id)}`}
              onPress={() => onPutRight(id)}
            />
          </View>
        ))}
      </Section>
      {confirms && isEnough && !isBelow ? (
        <Button
          kind={confirmedBelow === null ? 'main' : 'plain'}
          tall
          label={given.length === 1 ? 'It is this' : `It is these ${given.length}`}
          onPress={() => onConfirm(first.id)}
        />
      ) : null}
    </View>
  );
}

function sayEnough(given: readonly EstablishedFault[], enough: Diagnosis['enough']): string {
  const what = given.map(({ id }) => sayFault(id).toLowerCase()).join(' and ');
  if (enough === null) return `Seen: ${what}.`;
  if (enough.probability >= EXPLAINS) return `That explains it (${sayInTen(enough.probability)}): ${what}.`;
  return enough.withChance < BEHIND
    ? `Seen: ${what}. That does not explain all of it: look on.`
    : `Seen: ${what}. It may be all (${sayInTen(enough.probability)}), or not.`;
}

/** What was seen is often brought about by something that is likely and was not seen. */
function parentsOf({ established, suspects }: Props['diagnosis']): [string, FaultId][] {
  const isKnown = (id: string): boolean => established.some((one) => one.id === id);
  const chanceOf = (id: string): number => suspects.find((one) => one.id === id)?.probability ?? 0;
  return established.flatMap(({ id, isPutRight }): [string, FaultId][] => {
    const parents = keysOf(BRINGS).filter(
      (parent) => !isKnown(parent) && chanceOf(parent) >= LIKELY_PARENT && Object.hasOwn(BRINGS[parent] ?? {}, id),
    );
    const [likeliest] = parents.sort((x, y) => chanceOf(y) - chanceOf(x));
    return isPutRight || likeliest === undefined ? [] : [[id, likeliest]];
  });
}
