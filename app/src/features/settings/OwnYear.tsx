import { COLDEST_STARTS } from '@hudrik/core/service';
import type { Settings } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf } from '@/api';
import { Button, Choice, Failure, Field, Section, Words } from '@/design';
import { yardOf } from './OwnPrices';
import { useChange } from '@/outbox';

const LEVELS = [0.9, 0.95, 0.99];
const USUAL_LEVEL = 0.95;
const MONTHS = 12;

/** Twelve whole degrees, with commas or spaces between; null: they are not. */
function degreesIn(text: string): number[] | null {
  const found = text
    .replaceAll('−', '-')
    .split(/[\s,;]+/)
    .filter((word) => word !== '')
    .map(Number);
  return found.length === MONTHS && found.every((degrees) => degrees >= -60 && degrees <= 40) ? found : null;
}

/** What this yard reckons with: how cold it starts in each month, and how surely a part should lie there. */
export function OwnYear({ settings }: { readonly settings: Settings }) {
  const change = useChange('changeSettings');
  const [text, setText] = useState((settings.coldestStarts ?? COLDEST_STARTS.value).join(', '));
  const degrees = degreesIn(text);
  const level = settings.serviceLevel ?? USUAL_LEVEL;
  return (
    <Section title="What this yard reckons with">
      {change.isError ? <Failure sentence={sentenceOf(change.error)} kept="What you wrote is still here." /> : null}
      <Words>A part should lie there so many times of a hundred that it is wanted:</Words>
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="How surely a part should lie there">
        {LEVELS.map((one) => (
          <Choice
            key={one}
            className="grow"
            label={String(Math.round(one * 100))}
            on={level === one}
            onPress={() => change.mutate({ body: { ...yardOf(settings), serviceLevel: one } })}
          />
        ))}
      </View>
      <Field
        label="Coldest start of each month, January to December, °C"
        value={text}
        onChangeText={setText}
        wrong={degrees === null ? 'Enter twelve figures from -60 to 40, with commas between.' : undefined}
      />
      <Button
        label="Save the coldest starts"
        disabled={change.isPending || degrees === null}
        onPress={() => degrees && change.mutate({ body: { ...yardOf(settings), coldestStarts: degrees } })}
      />
    </Section>
  );
}
