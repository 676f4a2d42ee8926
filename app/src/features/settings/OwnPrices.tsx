import { CLASSES } from '@hudrik/core/catalogue';
import type { Settings } from '@hudrik/core/contracts';
import { isNoFigure, readPositive } from '@hudrik/core/figures';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf } from '@/api';
import { Button, Choice, Failure, Field, Section, Words } from '@/design';
import { sayMoney } from '@/writing';
import { useChange } from '@/outbox';

type Texts = Readonly<Record<string, string>>;

const centsIn = (text: string): number | null => {
  const figure = readPositive(text);
  return figure === null ? null : Math.round(figure * 100);
};
const textOf = (cents: number | null | undefined): string => (cents == null ? '' : (cents / 100).toFixed(2));

/** What must be said each time; what is not said stays as it is. */
export const yardOf = ({ yard, currency, locale, timeZone }: Settings) => ({ yard, currency, locale, timeZone });

/** What an hour of this yard costs, and each thing that does not come back: empty, the built-in price counts. */
export function OwnPrices({ settings }: { readonly settings: Settings }) {
  const change = useChange('changeSettings');
  const [hour, setHour] = useState(textOf(settings.centsPerHour));
  const [texts, setTexts] = useState<Texts>(() =>
    Object.fromEntries(Object.entries(settings.kitPrices ?? {}).map(([key, cents]) => [key, textOf(cents)])),
  );
  const [classId, setClassId] = useState<string>(CLASSES[0]?.id ?? '');
  const machineClass = CLASSES.find((one) => one.id === classId);
  const wrong = [hour, ...Object.values(texts)].some(isNoFigure);
  const send = () =>
    change.mutateAsync({
      body: {
        ...yardOf(settings),
        centsPerHour: centsIn(hour),
        kitPrices: Object.fromEntries(
          Object.entries(texts).flatMap(([key, text]) => {
            const cents = centsIn(text);
            return cents === null ? [] : [[key, cents]];
          }),
        ),
      },
    });
  return (
    <Section title="Own prices">
      {change.isError ? <Failure sentence={sentenceOf(change.error)} kept="What you wrote is still here." /> : null}
      <Field
        label="An hour of the workshop"
        value={hour}
        onChangeText={setHour}
        inputMode="decimal"
        wrong={isNoFigure(hour) ? 'Enter a price, e.g. 78.00.' : undefined}
      />
      <Words face="strong">What does not come back</Words>
      <View className="flex-row flex-wrap gap-2">
        {CLASSES.map((one) => (
          <Choice
            key={one.id}
            className="grow"
            label={one.name}
            on={classId === one.id}
            onPress={() => setClassId(one.id)}
          />
        ))}
      </View>
      <View className="flex-row flex-wrap gap-2">
        {(machineClass?.kit ?? []).map((item) => {
          const key = `${classId}/${item.id}`;
          const text = texts[key] ?? '';
          return (
            <Field
              key={key}
              className="min-w-[150px] grow basis-0"
              label={`${item.name} (built in: ${sayMoney(item.priceCents)})`}
              value={text}
              onChangeText={(next) => setTexts({ ...texts, [key]: next })}
              inputMode="decimal"
              wrong={isNoFigure(text) ? 'Enter a price, e.g. 12.50.' : undefined}
            />
          );
        })}
      </View>
      <Button
        label="Save the prices"
        offBecause={wrong ? 'One of them is no price.' : null}
        disabled={change.isPending}
        onPress={() => void send().catch(() => undefined)}
      />
    </Section>
  );
}
