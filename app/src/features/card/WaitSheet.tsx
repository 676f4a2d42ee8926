import { CAUTIONS } from '@hudrik/core/catalogue';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Caution, Choice, Field, Section, Sheet, Words } from '@/design';
import type { CardHandle } from './useCard';

const FOR = [
  ['part', 'A part'],
  ['clock', 'A clock'],
  ['decision', 'A decision'],
] as const;
const HOW = [
  ['ran', 'It ran'],
  ['ran-badly', 'It ran badly'],
  ['did-not-start', 'It did not start'],
] as const;

/** Why it cannot be parked yet. */
function parkedNot({ card }: CardHandle, why: string): string | null {
  if (card?.ledger.complete === false) return 'Something is still off.';
  if (card?.clocks.some((clock) => clock.result === null)) return 'A clock still runs.';
  return why.trim().length < 2 ? 'Write above what it waits for.' : null;
}

/** Putting the card aside for something, or trying the engine before it is whole. */
export function WaitSheet({ handle, onClose }: { readonly handle: CardHandle; readonly onClose: () => void }) {
  const [what, setWhat] = useState<(typeof FOR)[number][0]>('part');
  const [why, setWhy] = useState('');
  const [note, setNote] = useState('');
  const off = handle.card?.ledger.putBack ?? [];
  return (
    <Sheet title="Pause, or try it" open onClose={onClose}>
      <Section title="It waits for">
        <View className="flex-row gap-2">
          {FOR.map(([id, label]) => (
            <Choice key={id} className="flex-1" label={label} on={what === id} onPress={() => setWhat(id)} />
          ))}
        </View>
        <Field label="Why (optional)" value={why} onChangeText={setWhy} />
        <Button
          label="Pause the work"
          onPress={() => {
            handle.add('paused', { for: what, why: why.trim() });
            onClose();
          }}
        />
      </Section>
      <Section title="Park it">
        <Words size={15}>
          For days or weeks. Nothing may be off and no clock may run; what is not proved keeps the unit held.
        </Words>
        <Button
          label="Park the visit"
          offBecause={parkedNot(handle, why)}
          onPress={() => {
            handle.add('parked', { why: why.trim() });
            onClose();
          }}
        />
      </Section>
      <Section title="Trial start">
        <Words size={15}>
          {off.length > 0
            ? `Still off: ${off.map((thing) => thing.what.toLowerCase()).join(', ')}. A trial start does not count as the proof.`
            : 'A trial start does not count as the proof.'}
        </Words>
        <Caution text={CAUTIONS['carbon-monoxide']} />
        <Caution text={CAUTIONS['moving-parts']} />
        <Field label="What you saw" value={note} onChangeText={setNote} />
        <View className="flex-row flex-wrap gap-2">
          {HOW.map(([id, label]) => (
            <Button
              key={id}
              className="grow"
              label={label}
              onPress={() => {
                handle.add('trial-start', { how: id, note: note.trim() });
                onClose();
              }}
            />
          ))}
        </View>
      </Section>
    </Sheet>
  );
}
