import { useState } from 'react';
import { View } from 'react-native';
import { Button, Empty, Section, Words } from '@/design';
import { sayDay } from '@/features/fleet';
import type { Entry } from './entries';
import { observationOf, sayFault, saySeen } from './say';

const FEW = 8;

/** All that counts now: what was seen, by whom and when; each can be taken back. */
export function Seen({
  counting,
  onTakeBack,
}: {
  readonly counting: readonly Entry[];
  readonly onTakeBack: (observation: string) => void;
}) {
  const [all, setAll] = useState(false);
  const order = [...counting].sort((x, y) => Number(isUnwell(y)) - Number(isUnwell(x)));
  const shown = all ? order : order.slice(0, FEW);
  return (
    <Section title="Seen so far" count={counting.length}>
      {counting.length === 0 ? (
        <Empty sentence="Nothing yet. Begin with what the hirer told, or with the next check." />
      ) : null}
      <View role="list">
        {shown.map((entry) => (
          <View
            key={entry.id}
            role="listitem"
            className="min-h-[48px] flex-row items-center gap-2 border-b border-line"
          >
            <View className="min-w-0 flex-1">
              <Words size={15} face="strong" tone={isUnwell(entry) ? 'held' : 'ink'}>
                {entry.observation
                  ? `${observationOf(entry.observation).words}: ${saySeen(entry.observation, entry.outcomes)}`
                  : `Put right: ${sayFault(entry.fault ?? '').toLowerCase()}`}
              </Words>
              <Words size={13} tone="ink-soft">
                {sayReading(entry.reading)}
                {entry.by ?? 'somebody'}, {sayDay(entry.at)}
                {entry.sent ? '' : ' · on this device'}
              </Words>
            </View>
            {entry.observation && entry.kind === 'seen' ? (
              <Button
                kind="quiet"
                label="Take back"
                aria-label={`Take back: ${observationOf(entry.observation).words}`}
                onPress={() => onTakeBack(entry.observation as string)}
              />
            ) : null}
          </View>
        ))}
      </View>
      {counting.length > FEW ? (
        <Button kind="quiet" label={all ? 'Fewer' : `All ${counting.length}`} onPress={() => setAll(!all)} />
      ) : null}
    </Section>
  );
}

/** What is not as it should be stands first. */
const isUnwell = (entry: Entry): boolean =>
  entry.observation === null ||
  !entry.outcomes.includes(Object.keys(observationOf(entry.observation).outcomes)[0] ?? '');

function sayReading(reading: Entry['reading']): string {
  if (!reading) return '';
  const { unit, method, ...values } = reading as Record<string, unknown>;
  return `${Object.values(values).join(' / ')} ${String(unit ?? '')}${method ? `, by ${method === 'pull' ? 'rope' : String(method)}` : ''} · `;
}
