import { FUEL_BLENDS, KEPT, STORED } from '@hudrik/core/catalogue';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Choice, Section, Words } from '@/design';
import type { CheckInFacts } from './draft';

type Past = NonNullable<CheckInFacts['past']>;

const STORED_WORD: Readonly<Record<(typeof STORED)[number], string>> = {
  'in-use': 'In use until now',
  'run-dry': 'Run dry',
  'run-dry-drained': 'Run dry and drained',
  'bowl-cleaned': 'Bowl cleaned',
  'stabilised-full': 'Stabilised, full',
  'alkylate-wet': 'With alkylate',
  exercised: 'Run now and then',
  'fuel-left': 'With its fuel in',
};
const KEPT_WORD = { indoors: 'Indoors', shed: 'In a shed', open: 'In the open' } as const;
const BLEND_WORD = { E0: 'Without ethanol', E10: 'E10', E15: 'E15', alkylate: 'Alkylate' } as const;
/** Days, as a hirer tells them. */
const STOOD = [
  [0, 'Not at all'],
  [14, 'Two weeks'],
  [60, 'Two months'],
  [180, 'Half a year'],
  [365, 'A year or more'],
] as const;

/** How it was put away, how long it stood, what fuel is in it: where somebody knows, a tap each. */
export function PutAway({ past, onChange }: { readonly past: Past; readonly onChange: (past: Past) => void }) {
  const [open, setOpen] = useState(Object.keys(past).length > 0);
  if (!open)
    return <Button kind="quiet" className="self-start" label="It stood a while …" onPress={() => setOpen(true)} />;
  return (
    <Section title="Put away">
      <Row
        name="How it was put away"
        options={STORED.map((id) => [id, STORED_WORD[id]] as const)}
        chosen={past.stored}
        onPick={(stored) => onChange({ ...past, stored })}
      />
      <Row
        name="Where it stood"
        options={KEPT.map((id) => [id, KEPT_WORD[id]] as const)}
        chosen={past.kept}
        onPick={(kept) => onChange({ ...past, kept })}
      />
      <Row
        name="How long"
        options={STOOD}
        chosen={past.daysStood}
        onPick={(daysStood) => onChange({ ...past, daysStood })}
      />
      <Row
        name="What fuel is in it"
        options={FUEL_BLENDS.map((id) => [id, BLEND_WORD[id]] as const)}
        chosen={past.fuelBlend}
        onPick={(fuelBlend) => onChange({ ...past, fuelBlend })}
      />
    </Section>
  );
}

interface RowProps<T extends string | number> {
  readonly name: string;
  readonly options: readonly (readonly [T, string])[];
  readonly chosen: T | undefined;
  readonly onPick: (value: T | undefined) => void;
}

function Row<T extends string | number>({ name, options, chosen, onPick }: RowProps<T>) {
  return (
    <View className="gap-1">
      <Words size={15} face="strong">
        {name}
      </Words>
      <View className="flex-row flex-wrap gap-2" role="group" aria-label={name}>
        {options.map(([id, label]) => (
          <Choice
            key={id}
            className="grow"
            label={label}
            on={chosen === id}
            onPress={() => onPick(chosen === id ? undefined : id)}
          />
        ))}
      </View>
    </View>
  );
}
