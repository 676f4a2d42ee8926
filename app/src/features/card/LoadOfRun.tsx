import type { Load } from '@hudrik/core/catalogue';
import { readPositive } from '@hudrik/core/figures';
import type { Proof } from '@hudrik/core/proof';
import { useState } from 'react';
import { View } from 'react-native';
import { usePerson } from '@/api';
import { Button, Choice, Field, Sheet, Words } from '@/design';
import { WriteSheet } from '@/forms';
import { sayValue } from '@/writing';
import { sayMissing } from '@/features/fleet/sayMissing';
import type { CardHandle } from './useCard';

interface Props {
  readonly handle: CardHandle;
  readonly proof: Proof;
  readonly loads: readonly Load[];
}

/** What it is loaded with, and the figure that it is set to; or that no load is to be had, which a lead says. */
export function LoadOfRun({ handle, proof, loads }: Props) {
  const { role } = usePerson();
  const [asked, setAsked] = useState<Load | 'none-to-be-had' | null>(null);
  return (
    <>
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="Load">
        {loads.map((load) => (
          <Choice
            key={load.id}
            className="grow"
            label={load.name}
            on={proof.load === load.id}
            onPress={() => setAsked(load)}
          />
        ))}
        <Choice
          className="grow"
          label="No load"
          on={proof.tested !== 'untested' && proof.load === null && proof.unloaded === null}
          onPress={() => handle.add('proof-load', { load: null })}
        />
      </View>
      {proof.unloaded === null ? null : (
        <Words size={15} role="note">
          {`No load to be had: ${proof.unloaded}. Not proved, and shown so: ${proof.unproved.map(sayMissing).join('; ')}.`}
        </Words>
      )}
      {role === 'lead' && proof.unloaded === null ? (
        <Button
          kind="quiet"
          className="self-start"
          label="There is no load here"
          onPress={() => setAsked('none-to-be-had')}
        />
      ) : null}
      {asked === 'none-to-be-had' ? (
        <WriteSheet
          title="There is no load here"
          sentence="It then runs without. What only a load can show stays unproved, and whoever hands it out sees that."
          label="Why there is none"
          button="Run it without"
          least={3}
          error={null}
          onSend={async (why) => handle.add('load-not-had', { why })}
          onClose={() => setAsked(null)}
        />
      ) : null}
      {asked !== null && asked !== 'none-to-be-had' ? (
        <FigureSheet
          load={asked}
          onSet={(value) => {
            handle.add('proof-load', { load: asked.id, figure: { value, unit: asked.figure.unit } });
            setAsked(null);
          }}
          onClose={() => setAsked(null)}
        />
      ) : null}
    </>
  );
}

/** The figure that a load is set to. */
export function FigureSheet({
  load: { name, figure },
  onSet,
  onClose,
}: {
  readonly load: Load;
  readonly onSet: (value: number) => void;
  readonly onClose: () => void;
}) {
  const [text, setText] = useState('');
  const value = readPositive(text);
  const fits = value !== null && value >= figure.least && value <= figure.most;
  const range = `${sayValue(figure.least)} to ${sayValue(figure.most)} ${figure.unit}`;
  return (
    <Sheet title={name} open onClose={onClose}>
      <Field
        label={`${figure.name}, ${figure.unit}`}
        value={text}
        onChangeText={setText}
        inputMode="decimal"
        autoFocus
        wrong={value !== null && !fits ? `It can be set to ${range}.` : undefined}
      />
      <Button
        kind="main"
        tall
        label="It is set"
        offBecause={fits ? null : 'Enter what it is set to.'}
        onPress={() => value !== null && fits && onSet(value)}
      />
    </Sheet>
  );
}
