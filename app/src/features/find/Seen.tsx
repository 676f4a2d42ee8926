import { kindOf, readingLine, type Entry } from '@hudrik/core/log';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Empty, Section, Words } from '@/design';
import { sayDay } from '@/writing';
import { observationOf, sayFault, saySeen } from './say';

const FEW = 8;

interface Props {
  readonly counting: readonly Entry[];
  readonly unsent: ReadonlySet<string>;
  readonly onTakeBack: (observation: string) => void;
  readonly onUnsay: (fault: string) => void;
}

/** All that counts now: what was seen, by whom and when; each can be taken back. */
export function Seen({ counting, unsent, onTakeBack, onUnsay }: Props) {
  const [all, setAll] = useState(false);
  const lines = counting.map(lineOf).sort((x, y) => Number(y.isUnwell) - Number(x.isUnwell));
  const shown = all ? lines : lines.slice(0, FEW);
  return (
    <Section title="Seen so far" count={counting.length}>
      {counting.length === 0 ? (
        <Empty sentence="Nothing yet. Begin with what the hirer said, or with the next check." />
      ) : null}
      <View role="list">
        {shown.map(({ entry, sentence, observation, said, isUnwell }) => (
          <View
            key={entry.id}
            role="listitem"
            className="min-h-[48px] flex-row items-center gap-2 border-b border-line"
          >
            <View className="min-w-0 flex-1">
              <Words size={15} face="strong" tone={isUnwell ? 'held' : 'ink'}>
                {sentence}
              </Words>
              <Words size={13} tone="ink-soft">
                {[
                  readingOf(entry),
                  `${entry.by ?? 'somebody'}, ${sayDay(entry.at)}`,
                  unsent.has(entry.id) && 'not sent yet',
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </Words>
            </View>
            {observation || said ? (
              <Button
                kind="quiet"
                label="Take back"
                aria-label={`Take back: ${observation ? observationOf(observation).words : sayFault(said ?? '')}`}
                onPress={() => (observation ? onTakeBack(observation) : onUnsay(said ?? ''))}
              />
            ) : null}
          </View>
        ))}
      </View>
      {counting.length > FEW ? (
        <Button kind="quiet" label={all ? 'Show fewer' : `Show all ${counting.length}`} onPress={() => setAll(!all)} />
      ) : null}
    </Section>
  );
}

interface Line {
  readonly entry: Entry;
  readonly sentence: string;
  /** What can be taken back; a repair cannot. */
  readonly observation: string | null;
  /** A fault that somebody says is there. */
  readonly said?: string;
  /** What is not as it should be stands first. */
  readonly isUnwell: boolean;
}

function lineOf(entry: Entry): Line {
  const step = kindOf(entry.kind)?.finding?.(entry.facts);
  if (step?.kind === 'repaired')
    return { entry, sentence: `Repaired: ${sayFault(step.fault).toLowerCase()}`, observation: null, isUnwell: true };
  if (step?.kind === 'said')
    return {
      entry,
      sentence: `Known to be so: ${sayFault(step.fault).toLowerCase()}`,
      observation: null,
      said: step.fault,
      isUnwell: true,
    };
  if (step?.kind !== 'seen') return { entry, sentence: entry.kind, observation: null, isUnwell: false };
  const { observation, outcomes } = step;
  const [healthy = ''] = Object.keys(observationOf(observation).outcomes);
  return {
    entry,
    sentence: `${observationOf(observation).words}: ${saySeen(observation, outcomes)}`,
    observation,
    isUnwell: !outcomes.includes(healthy),
  };
}

function readingOf({ facts }: Entry): string | null {
  const reading: unknown = typeof facts === 'object' && facts !== null ? Reflect.get(facts, 'reading') : null;
  return typeof reading === 'object' && reading !== null ? readingLine({ ...reading }) : null;
}
