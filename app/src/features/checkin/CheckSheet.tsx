import { isNoFigure, readPositive } from '@hudrik/core/figures';
import { cautionText, saySource, shortSource, type Check } from '@hudrik/core/catalogue';
import { placeInLimit } from '@hudrik/core/verdict';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Caution, Choice, Field, Gauge, Sheet, Whence } from '@/design';
import type { DraftAnswer } from './draft';
import { answerOf, BECAUSE_WORD } from './answerOf';
import { PhotoRow } from '@/photos/PhotoRow';

interface Props {
  readonly check: Check;
  readonly answer: DraftAnswer | undefined;
  readonly onAnswer: (answer: DraftAnswer) => void;
  readonly onClose: () => void;
}

/** Why this check may not be possible: what runs wants a start, what weeps wants pressure. */
const reasonsFor = ({ running, caution }: Check): (keyof typeof BECAUSE_WORD)[] => [
  ...(running ? (['will-not-start'] as const) : []),
  ...(caution === 'hydraulic-injection' || caution === 'high-pressure-water' ? (['not-under-pressure'] as const) : []),
  'in-parts',
];

/** One check in full: caution, exceptions, reading, wear or damage, photo, note. */
export function CheckSheet({ check, answer, onAnswer, onClose }: Props) {
  const [given, setGiven] = useState<DraftAnswer>(answer ?? { check: check.id, result: 'not-ok', photos: [] });
  const set = (change: Partial<DraftAnswer>) => setGiven((before) => ({ ...before, ...change }));
  const settled = given.result !== 'not-ok' || given.exception !== undefined;
  const keep = () => {
    onAnswer(given);
    onClose();
  };
  return (
    <Sheet title={check.words} open onClose={onClose}>
      {check.caution ? <Caution text={cautionText(check.caution)} /> : null}
      {check.measured ? <Reading check={check} given={given} set={set} /> : null}
      <View className="gap-2">
        {check.measured ? null : (
          <Choice label="OK" on={given.result === 'ok'} onPress={() => set({ result: 'ok', exception: undefined })} />
        )}
        {check.exceptions.map((entry) => (
          <Choice
            key={entry.id}
            tone="held"
            label={entry.words}
            on={given.result === 'not-ok' && given.exception === entry.id}
            onPress={() => set({ result: 'not-ok', exception: entry.id })}
          />
        ))}
        <Choice
          label="Could not look"
          on={given.result === 'could-not-look'}
          onPress={() => set({ result: 'could-not-look', exception: undefined, reading: undefined })}
        />
        {reasonsFor(check).map((because) => (
          <Choice
            key={because}
            label={`Not possible: ${BECAUSE_WORD[because].toLowerCase()}`}
            on={given.result === 'not-possible' && given.because === because}
            onPress={() => set({ result: 'not-possible', because, exception: undefined, reading: undefined })}
          />
        ))}
      </View>
      {given.result === 'not-ok' && given.exception ? (
        <View className="flex-row gap-2">
          <Choice
            className="flex-1"
            label="Wear (ours)"
            on={given.cause === 'wear'}
            onPress={() => set({ cause: 'wear' })}
          />
          <Choice
            className="flex-1"
            label="Damage (hirer’s)"
            on={given.cause === 'damage'}
            onPress={() => set({ cause: 'damage' })}
          />
        </View>
      ) : null}
      <PhotoRow
        wanted={check.photo === 'wanted' && given.result === 'not-ok'}
        photos={given.photos}
        onChange={(photos) => set({ photos })}
      />
      <Field label="Note" value={given.note ?? ''} onChangeText={(note) => set({ note })} />
      <Button kind="main" tall label="Save" offBecause={settled ? null : 'Choose what you found.'} onPress={keep} />
    </Sheet>
  );
}

function Reading({
  check,
  given,
  set,
}: {
  readonly check: Check;
  readonly given: DraftAnswer;
  readonly set: (change: Partial<DraftAnswer>) => void;
}) {
  const [text, setText] = useState(given.reading ? String(given.reading.value) : '');
  const measured = check.measured;
  if (!measured) return null;
  const { limit, unit, scale } = measured;
  const value = readPositive(text);
  const place = value === null ? null : placeInLimit(value, limit);
  const write = (next: string) => {
    setText(next);
    const number = readPositive(next);
    set(number === null ? { reading: undefined } : answerOf(check, number, given));
  };
  const good = [limit.kind === 'at-most' ? null : limit.min, limit.kind === 'at-least' ? null : limit.max] as const;
  return (
    <View className="gap-2">
      <Gauge
        scale={scale}
        good={good}
        value={value}
        unit={unit}
        verdict={place === null ? 'no reading' : place === 'in' ? 'right' : place}
        tone={place === null ? 'ink-soft' : place === 'in' ? 'fit' : 'held'}
      />
      <Field
        label={`Reading, ${unit}`}
        value={text}
        onChangeText={write}
        inputMode="decimal"
        wrong={isNoFigure(text) ? 'Enter a number, with at most one point.' : undefined}
      />
      <Whence
        short={`Limit: ${shortSource(limit.source)}`}
        words={`${saySource(limit.source)}. A model’s own sheet comes first.`}
      />
    </View>
  );
}
