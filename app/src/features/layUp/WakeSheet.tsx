import { LAY_UP_METHODS, type LayUpMethodId } from '@hudrik/core/catalogue';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf } from '@/api';
import { Button, Caution, Choice, Failure, Field, Sheet, Words } from '@/design';
import { useEntry } from '@/outbox';
import { methodName } from './sayLayUp';

const PULLS = [1, 2, 3, 5, 10];

interface Props {
  readonly tag: string;
  /** How it was laid up; null: nobody wrote it down. */
  readonly method: LayUpMethodId | null;
  readonly onClose: () => void;
}

/** How to wake it, and how it woke: that moves what is taken for its way of lay-up. */
export function WakeSheet({ tag, method, onClose }: Props) {
  const wake = useEntry('woken');
  const [pulls, setPulls] = useState<number | 'not' | null>(null);
  const [wantsFuelRepair, setRepair] = useState(false);
  const [needed, setNeeded] = useState('');
  const steps = LAY_UP_METHODS[method ?? 'as-it-is'].wakes;
  const send = () =>
    wake.mutate(
      {
        facts: { pulls: pulls === 'not' ? null : pulls, wantsFuelRepair, needed: needed.trim() },
        on: { tag },
      },
      { onSuccess: onClose },
    );
  return (
    <Sheet title={`Wake ${tag}`} open onClose={onClose}>
      {wake.isError ? <Failure sentence={sentenceOf(wake.error)} kept="What you chose is still here." /> : null}
      <Caution text="Outside, or with the doors open: exhaust kills. Look for nests first; turn it over slowly before the first pull." />
      <Words face="strong">{method === null ? 'Nobody wrote down how it was laid up' : methodName(method)}</Words>
      {steps.map((step, at) => (
        <Words key={step} size={15}>{`${at + 1}. ${step}`}</Words>
      ))}
      <Words face="strong">It started at pull</Words>
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="It started at pull">
        {PULLS.map((count) => (
          <Choice
            key={count}
            className="grow"
            label={count === 10 ? '10 or more' : String(count)}
            on={pulls === count}
            onPress={() => setPulls(count)}
          />
        ))}
        <Choice className="grow" label="It did not" on={pulls === 'not'} onPress={() => setPulls('not')} />
      </View>
      <Choice label="It wants a fuel repair" on={wantsFuelRepair} onPress={() => setRepair(!wantsFuelRepair)} />
      <Field label="What it needed" value={needed} onChangeText={setNeeded} />
      <Button
        kind="main"
        tall
        label="It is awake"
        disabled={wake.isPending}
        offBecause={pulls === null ? 'Say at which pull it started.' : null}
        onPress={send}
      />
    </Sheet>
  );
}
