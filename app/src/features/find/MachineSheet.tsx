import { CLASS_IDS, CLASS_TAGS, ENGINE_TRAITS, FUEL_BLENDS, KEPT, STORED } from '@hudrik/core/catalogue';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Choice, Field, Section, Sheet, Words } from '@/design';
import { TRAIT_WORD, traitValueWord } from '@/features/fleet';
import type { MachineFacts } from './finding';
import { keysOf } from '@hudrik/core/typed';

interface Props {
  readonly machine: MachineFacts;
  /** A unit's class is its own. */
  readonly fixedClass: boolean;
  readonly onKeep: (machine: MachineFacts) => void;
  readonly onClose: () => void;
}

const NUMBERS = [
  ['daysStood', 'Days it stood'],
  ['hoursSinceService', 'Hours since service'],
  ['ageYears', 'Years old'],
] as const;
const CHOICES = [
  ['stored', 'How it was put away', STORED],
  ['kept', 'Kept', KEPT],
  ['fuelBlend', 'Fuel in it', FUEL_BLENDS],
] as const;
const TRUTH_WORD = [
  ['openedBefore', 'Somebody was in it before'],
  ['plugIsNew', 'The plug is new'],
  ['cylinderOiled', 'Oil was put into the cylinder'],
  ['additiveInFuel', 'An additive is in the fuel'],
  ['fogged', 'It was fogged before it stood'],
] as const;

/** What is known of the engine and its past. Everything may be left open; what is known sharpens the odds. */
export function MachineSheet({ machine, fixedClass, onKeep, onClose }: Props) {
  const [facts, setFacts] = useState<MachineFacts>(machine);
  const { engine, past } = facts;
  const setEngine = (name: string, value: unknown) =>
    setFacts((before) => ({ ...before, engine: { ...before.engine, [name]: value } }));
  const setPast = (name: string, value: unknown) =>
    setFacts((before) => ({ ...before, past: { ...before.past, [name]: value } }));
  return (
    <Sheet title="Engine and past" open onClose={onClose}>
      <Button
        kind="main"
        label="Save"
        onPress={() => {
          onKeep(facts);
          onClose();
        }}
      />
      {fixedClass ? null : (
        <Section title="Machine">
          <View className="flex-row flex-wrap gap-2">
            <Choice
              label="Engine alone"
              on={facts.classId === undefined}
              onPress={() => setFacts({ ...facts, classId: undefined })}
            />
            {CLASS_IDS.map((id) => (
              <Choice
                key={id}
                label={CLASS_TAGS[id].name}
                on={facts.classId === id}
                onPress={() => setFacts({ ...facts, classId: id })}
              />
            ))}
          </View>
        </Section>
      )}
      <Section title="Its past">
        {NUMBERS.map(([name, label]) => (
          <Field
            key={name}
            label={label}
            inputMode="numeric"
            defaultValue={past[name] === undefined ? '' : String(past[name])}
            onChangeText={(text) => setPast(name, /^\d{1,5}$/.test(text) ? Number(text) : undefined)}
          />
        ))}
        {CHOICES.map(([name, label, values]) => (
          <Pick key={name} label={label} values={values} value={past[name]} onPick={(value) => setPast(name, value)} />
        ))}
        {TRUTH_WORD.map(([name, label]) => (
          <Choice
            key={name}
            label={label}
            on={past[name] === true}
            onPress={() => setPast(name, past[name] === true ? undefined : true)}
          />
        ))}
      </Section>
      <Section title="Its engine">
        {keysOf(ENGINE_TRAITS).map((name) => (
          <Pick
            key={name}
            label={TRAIT_WORD[name]}
            values={ENGINE_TRAITS[name]}
            value={engine[name]}
            onPick={(value) => setEngine(name, value)}
          />
        ))}
      </Section>
    </Sheet>
  );
}

/** One of several, or not known: tapped again it is open. */
function Pick({
  label,
  values,
  value,
  onPick,
}: {
  readonly label: string;
  readonly values: readonly unknown[];
  readonly value: unknown;
  readonly onPick: (value: unknown) => void;
}) {
  return (
    <View className="gap-1">
      <Words size={15} face="strong">
        {label}
      </Words>
      <View className="flex-row flex-wrap gap-2">
        {values.map((entry) => (
          <Choice
            key={String(entry)}
            label={traitValueWord(entry)}
            on={value === entry}
            onPress={() => onPick(value === entry ? undefined : entry)}
          />
        ))}
      </View>
    </View>
  );
}
