import { readPositive } from '@hudrik/core/figures';
import { checksOf, classOf, faultOf } from '@hudrik/core/catalogue';
import type { Defect } from '@hudrik/core/contracts';
import type { Proof } from '@hudrik/core/proof';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Field, TickList, Words } from '@/design';

/** What a signer says of one thing that was wrong. */
export interface SaidOf {
  readonly what: 'right' | 'open' | 'not-found' | null;
  readonly reading?: { readonly value: number; readonly unit: string };
}

interface Props {
  readonly defect: Defect;
  readonly proof: Proof;
  readonly classId: string;
  readonly said: SaidOf | null;
  readonly onSay: (said: SaidOf) => void;
}

/** One thing that was wrong: in order now, still not right, or, where it was told and has no cause, not found. */
export function SignLine({ defect, proof, classId, said, onSay }: Props) {
  const what = said?.what ?? null;
  const asked = figureAsked(defect, classId, proof);
  // Nothing that was put right explains it: it was not found, or it stays.
  const isWithoutCause = defect.origin.kind === 'told' && defect.causes.length === 0;
  return (
    <View className="gap-1 border-b border-line py-1">
      {isWithoutCause ? (
        <Words className="py-2">{`${defect.sentence} No cause was confirmed for it.`}</Words>
      ) : (
        <TickList
          items={[defect]}
          ticked={what === 'right' ? [defect.id] : []}
          onChange={(ticked) => onSay({ ...said, what: ticked.length > 0 ? 'right' : null })}
        />
      )}
      {defect.causes.length > 0 ? (
        <Words
          size={13}
          tone="ink-soft"
        >{`Explained by: ${defect.causes.map((id) => faultOf(id)?.name ?? id).join('; ')}.`}</Words>
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        {isWithoutCause ? (
          <Button
            kind="quiet"
            label={what === 'not-found' ? '✓ Not found' : 'Not found'}
            aria-label={`Not found: ${defect.sentence}`}
            onPress={() => onSay({ what: what === 'not-found' ? null : 'not-found' })}
          />
        ) : null}
        <Button
          kind="quiet"
          label={what === 'open' ? '✓ Stays open' : 'Still not right'}
          aria-label={`Still not right: ${defect.sentence}`}
          onPress={() => onSay({ what: what === 'open' ? null : 'open' })}
        />
      </View>
      {what === 'right' && asked ? <Figure unit={asked} onRead={(reading) => onSay({ what, ...reading })} /> : null}
      {what === 'open' ? <Words size={15}>It stays with the unit: it is not fit until that is put right.</Words> : null}
    </View>
  );
}

/** What was found by a number is closed by a number: its unit, where the run has not measured it already. */
function figureAsked({ origin }: Defect, classId: string, proof: Proof): string | null {
  if (origin.kind !== 'check') return null;
  const measured = checksOf(classOf(classId)).find((check) => check.id === origin.id)?.measured;
  if (measured === undefined) return null;
  const inRun = proof.readings.some(
    ({ reading, verdict }) => reading.rating !== undefined && reading.rating === measured.rating && verdict === 'well',
  );
  return inRun ? null : measured.unit;
}

function Figure({
  unit,
  onRead,
}: {
  readonly unit: string;
  readonly onRead: (reading: { readonly reading?: { readonly value: number; readonly unit: string } }) => void;
}) {
  const [text, setText] = useState('');
  const write = (typed: string) => {
    setText(typed);
    const value = readPositive(typed);
    onRead(value === null ? {} : { reading: { value, unit } });
  };
  return <Field label={`Measured now, ${unit}`} value={text} onChangeText={write} inputMode="decimal" />;
}
