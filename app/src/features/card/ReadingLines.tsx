import { isNoFigure, readPositive } from '@hudrik/core/figures';
import { isProofReadingId, saySource, shortSource } from '@hudrik/core/catalogue';
import { isOf } from '@hudrik/core/log';
import type { Proof, ShownReading } from '@hudrik/core/proof';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Field, Gauge, Section, Sheet, Whence, Words } from '@/design';
import { sayValue } from '@/writing';
import type { CardHandle } from './useCard';

const VERDICT_WORD = { 'not-taken': 'Not taken', well: 'Well', low: 'Low', high: 'High' } as const;

/** The class's readings, each on its gauge; a line is typed where no instrument reads it. */
export function ReadingLines({ handle, proof }: { readonly handle: CardHandle; readonly proof: Proof }) {
  const [open, setOpen] = useState<(ShownReading & { readonly insteadOf?: string | undefined }) | null>(null);
  return (
    <Section title="Readings" count={proof.readings.filter((shown) => shown.verdict !== 'not-taken').length}>
      {proof.runningSince === null ? (
        <Words size={15} tone="ink-soft">
          A reading counts only while it runs.
        </Words>
      ) : null}
      <View className="flex-row flex-wrap gap-x-6">
        {proof.readings.map((shown) => (
          <View key={shown.reading.id} className="min-w-[280px] grow basis-0 gap-1 border-b border-line py-2">
            <View className="flex-row items-center gap-2">
              <Words face="strong" className="min-w-0 flex-1">
                {shown.reading.name}
              </Words>
              {shown.verdict === 'low' || shown.verdict === 'high' ? (
                <Button
                  kind="quiet"
                  label="Mistyped"
                  aria-label={`${shown.reading.name}: mistyped`}
                  onPress={() => setOpen({ ...shown, insteadOf: lastEntryOf(handle, shown) })}
                />
              ) : null}
              <Button
                label={shown.value === null ? 'Type it' : 'Again'}
                aria-label={`${shown.reading.name}: type it`}
                onPress={() => setOpen(shown)}
              />
            </View>
            {shown.value === null ? null : (
              <Gauge
                scale={shown.reading.scale}
                good={[shown.reading.least ?? null, shown.reading.most ?? null]}
                value={shown.value}
                unit={shown.reading.unit}
                verdict={VERDICT_WORD[shown.verdict]}
                tone={shown.verdict === 'well' ? 'fit' : 'held'}
              />
            )}
            <Whence
              short={`${limitsOf(shown)} ${shown.reading.unit} (${shortSource(shown.reading.source)})`}
              words={`${limitsOf(shown)} ${shown.reading.unit}: ${saySource(shown.reading.source)}.`}
            />
          </View>
        ))}
      </View>
      {open ? (
        <TypeSheet
          shown={open}
          onKeep={(value) => {
            if (isProofReadingId(open.reading.id))
              handle.add('proof-reading', {
                reading: open.reading.id,
                value,
                unit: open.reading.unit,
                live: false,
                ...(open.insteadOf === undefined ? {} : { insteadOf: open.insteadOf }),
              });
            setOpen(null);
          }}
          onClose={() => setOpen(null)}
        />
      ) : null}
    </Section>
  );
}

/** The entry by which it was typed last. */
const lastEntryOf = ({ entries }: CardHandle, { reading, value }: ShownReading): string | undefined =>
  entries
    .filter((entry) => isOf(entry, 'proof-reading'))
    .findLast((entry) => entry.facts.reading === reading.id && entry.facts.value === value)?.id;

function limitsOf({ reading: { least, most } }: ShownReading): string {
  const say = (limit: number | undefined): string => (limit === undefined ? '' : sayValue(limit));
  if (least !== undefined && most !== undefined) return `${say(least)} to ${say(most)}`;
  return least === undefined ? `at most ${say(most)}` : `at least ${say(least)}`;
}

function TypeSheet({
  shown,
  onKeep,
  onClose,
}: {
  readonly shown: ShownReading;
  readonly onKeep: (value: number) => void;
  readonly onClose: () => void;
}) {
  const [text, setText] = useState('');
  const value = readPositive(text);
  const [from, to] = shown.reading.scale;
  const odd = value !== null && (value > to * 2 || (from > 0 && value < from / 4));
  return (
    <Sheet title={shown.reading.name} open onClose={onClose}>
      <Field
        label={`Reading, ${shown.reading.unit}`}
        value={text}
        onChangeText={setText}
        inputMode="decimal"
        autoFocus
        wrong={isNoFigure(text) ? 'Enter a number, with at most one point.' : undefined}
      />
      {odd ? (
        <Words
          tone="held"
          role="alert"
        >{`That is far off the scale of ${sayValue(from)} to ${sayValue(to)} ${shown.reading.unit}. Was it another unit? Read it again.`}</Words>
      ) : null}
      <Button
        kind="main"
        tall
        label="Save the reading"
        offBecause={value === null ? 'Type the figure that was read.' : null}
        onPress={() => value !== null && onKeep(value)}
      />
    </Sheet>
  );
}
