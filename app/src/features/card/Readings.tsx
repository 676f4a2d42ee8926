import { observationOfReading, READING_KINDS, type ReadingKind } from '@hudrik/core/catalogue';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Choice, Section, Sheet, Words } from '@/design';
import { ReadingEntry, sayOutcome, useWorkplace } from '@/features/find';
import type { CardHandle } from './useCard';

/** A reading at a step, on its gauge, before or after. */
export function MeasureSheet({
  kind,
  stepId,
  when,
  handle,
  onClose,
}: {
  readonly kind: ReadingKind;
  readonly stepId: string | null;
  readonly when: 'before' | 'after';
  readonly handle: CardHandle;
  readonly onClose: () => void;
}) {
  const [at, setAt] = useState(when);
  const [workplace] = useWorkplace();
  const observation = observationOfReading(kind);
  const keep = (outcome: string, given: Record<string, unknown>) => {
    handle.add('reading', { reading: kind, given, outcome, when: at, stepId });
    if (stepId) handle.add('step-done', { stepId });
    onClose();
  };
  return (
    <Sheet title={`Reading: ${kind.replace('-', ' ')}`} open onClose={onClose}>
      <View className="flex-row gap-2">
        <Choice className="flex-1" label="Before" on={at === 'before'} onPress={() => setAt('before')} />
        <Choice className="flex-1" label="After" on={at === 'after'} onPress={() => setAt('after')} />
      </View>
      <ReadingEntry
        observation={observation}
        machine={handle.reply?.machine ?? { engine: {}, past: {} }}
        altitudeM={workplace.altitudeM}
        limits={handle.reply?.limits ?? null}
        onReading={keep}
      />
    </Sheet>
  );
}

/** Readings taken, before beside after. */
export function Readings({ handle, works }: { readonly handle: CardHandle; readonly works: boolean }) {
  const [kind, setKind] = useState<ReadingKind | null>(null);
  const [picking, setPicking] = useState(false);
  const readings = handle.card?.readings ?? [];
  const kinds = [...new Set(readings.map((reading) => reading.reading))];
  const say = (when: 'before' | 'after', of: ReadingKind): string => {
    const last = readings.findLast((reading) => reading.reading === of && reading.when === when);
    if (last === undefined) return '–';
    const { unit, method, nominal, temperature: _, ...values } = last.given;
    return `${Object.values(values).join(' / ')} ${String(unit ?? '')}${method ? `, by ${String(method)}` : ''}${nominal === 24 ? ' of 24 V' : ''}: ${sayOutcome(observationOfReading(of), last.outcome).toLowerCase()}`;
  };
  return (
    <Section title="Readings" count={readings.length} place="readings">
      {kinds.map((of) => (
        <View key={of} className="gap-1 border-b border-line py-2">
          <Words face="strong">{of.replace('-', ' ')}</Words>
          <Words size={15}>{`Before: ${say('before', of)}`}</Words>
          <Words size={15}>{`After: ${say('after', of)}`}</Words>
        </View>
      ))}
      {works ? (
        <View className="flex-row flex-wrap gap-2">
          <Button className="grow" label="Take a reading" onPress={() => setPicking(true)} />
          <Button
            className="grow"
            label="Tightening"
            onPress={() => router.navigate(`/torque?unit=${handle.reply?.unit.tag ?? ''}`)}
          />
        </View>
      ) : null}
      {picking ? (
        <Sheet title="Which reading" open onClose={() => setPicking(false)}>
          {READING_KINDS.map((entry) => (
            <Button
              key={entry}
              label={entry.replace('-', ' ')}
              onPress={() => {
                setPicking(false);
                setKind(entry);
              }}
            />
          ))}
        </Sheet>
      ) : null}
      {kind ? (
        <MeasureSheet
          kind={kind}
          stepId={null}
          when={readings.some((reading) => reading.reading === kind) ? 'after' : 'before'}
          handle={handle}
          onClose={() => setKind(null)}
        />
      ) : null}
    </Section>
  );
}
