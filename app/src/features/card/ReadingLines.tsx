import { isNoFigure, readPositive } from '@hudrik/core/figures';
import { isProofReadingId, saySource, shortSource } from '@hudrik/core/catalogue';
import { isOf } from '@hudrik/core/log';
import type { Proof, ShownReading } from '@hudrik/core/proof';
import { useState } from 'react';
import { View } from 'react-native';
import { usePerson } from '@/api';
import { Button, Field, Gauge, Section, Sheet, Whence, Words } from '@/design';
import { sayValue } from '@/writing';
import type { CardHandle } from './useCard';

const VERDICT_WORD = { 'not-taken': 'Not taken', well: 'Well', low: 'Low', high: 'High' } as const;

/** The class's readings, each on its gauge; a line is typed where no instrument reads it. */
export function ReadingLines({ handle, proof }: { readonly handle: CardHandle; readonly proof: Proof }) {
  const [open, setOpen] = useState<Opened | null>(null);
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
                  onPress={() => setOpen({ ...shown, wrong: lastEntryOf(handle, shown) })}
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
          onKeep={(value, why) => {
            if (isProofReadingId(open.reading.id))
              handle.add('proof-reading', {
                reading: open.reading.id,
                value,
                unit: open.reading.unit,
                live: false,
                ...(open.wrong === undefined ? {} : { insteadOf: open.wrong.id }),
                ...(why === '' ? {} : { why }),
              });
            setOpen(null);
          }}
          onClose={() => setOpen(null)}
        />
      ) : null}
    </Section>
  );
}

/** A reading that is being typed; where it stands for one that was wrong, that one. */
type Opened = ShownReading & { readonly wrong?: { readonly id: string; readonly isLive: boolean } | undefined };

/** The entry by which it was taken last. */
function lastEntryOf({ entries }: CardHandle, { reading, value }: ShownReading): Opened['wrong'] {
  const last = entries
    .filter((entry) => isOf(entry, 'proof-reading'))
    .findLast((entry) => entry.facts.reading === reading.id && entry.facts.value === value);
  return last && { id: last.id, isLive: last.facts.live };
}

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
  readonly shown: Opened;
  readonly onKeep: (value: number, why: string) => void;
  readonly onClose: () => void;
}) {
  const { role } = usePerson();
  const [text, setText] = useState('');
  const [why, setWhy] = useState('');
  const value = readPositive(text);
  const isLive = shown.wrong?.isLive === true;
  const [from, to] = shown.reading.scale;
  const odd = value !== null && (value > to * 2 || (from > 0 && value < from / 4));
  if (isLive && role !== 'lead')
    return (
      <Sheet title={shown.reading.name} open onClose={onClose}>
        <Words>
          The instruments read that by themselves: it was not mistyped. A lead strikes it out, with a reason.
        </Words>
      </Sheet>
    );
  return (
    <Sheet title={shown.reading.name} open onClose={onClose}>
      {isLive ? (
        <Field
          label="The instruments read it by themselves: why it does not stand"
          value={why}
          onChangeText={setWhy}
          multiline
        />
      ) : null}
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
        offBecause={
          value === null
            ? 'Type the figure that was read.'
            : isLive && why.trim().length < 3
              ? 'The reason stays in the record.'
              : null
        }
        onPress={() => value !== null && onKeep(value, why.trim())}
      />
    </Sheet>
  );
}
