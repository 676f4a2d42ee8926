import { entryOf, WAYS } from '@hudrik/core/catalogue';
import { workedMinutes } from '@hudrik/core/card';
import { proofOfEntries } from '@hudrik/core/proof';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { usePerson } from '@/api';
import { Button, Words } from '@/design';
import { useServerNow } from '@/features/clocks';
import { sayDay, sayMinutes } from '@/writing';
import { HandOnSheet } from './HandOnSheet';
import { proofSettingOfCard } from './proofSettingOfCard';
import type { CardHandle } from './useCard';
import { WaitSheet } from './WaitSheet';

interface Props {
  readonly handle: CardHandle;
  readonly jobId: string;
  readonly signs: boolean;
}

/** What may be done with the visit as a whole. */
export function CardActions({ handle, jobId, signs }: Props) {
  const { name } = usePerson();
  const [sheet, setSheet] = useState<'wait' | 'hand-on' | null>(null);
  const { card, state, reply } = handle;
  const mine = card?.working.find((entry) => entry.by === name);
  const spent = Object.entries(card ? workedMinutes(card) : {});
  return (
    <View className="gap-2">
      <NextAction handle={handle} jobId={jobId} />
      <View className="flex-row flex-wrap gap-2">
        {state === 'waiting' ? null : (
          <Button
            className="grow"
            kind={!mine && stepsLeft(handle) > 0 && state === 'open' ? 'main' : 'plain'}
            label={mine ? 'Stop my time' : 'Start my time'}
            detail={spent.map(([who, minutes]) => `${who}: ${sayMinutes(minutes)}`).join(', ')}
            onPress={() => handle.add(mine ? 'hands-off' : 'hands-on', {})}
          />
        )}
        <Button className="grow" label="Pause, or try it" onPress={() => setSheet('wait')} />
        <Button className="grow" label="Hand it on" onPress={() => setSheet('hand-on')} />
        {reply ? (
          <Button
            className="grow"
            label={reply.findingId ? 'The finding' : 'Find the fault'}
            onPress={() => router.navigate(`/u/${reply.unit.tag}/find`)}
          />
        ) : null}
        {signs ? (
          <Button className="grow" label="Repair or replace?" onPress={() => router.navigate(`/j/${jobId}/ways`)} />
        ) : null}
      </View>
      {card?.working.map((entry) => (
        <Words
          key={entry.by}
          size={13}
          tone="ink-soft"
        >{`${entry.by} has worked on it since ${sayDay(entry.since)}.`}</Words>
      ))}
      {card?.decision ? (
        <Words
          size={15}
        >{`Decided: ${(entryOf(WAYS, card.decision.facts.way) ?? card.decision.facts.way).toLowerCase()}${card.decision.facts.why ? ` (${card.decision.facts.why})` : ''}, ${card.decision.by ?? ''}.`}</Words>
      ) : null}
      {card?.trials.map((trial) => (
        <Words
          key={trial.id}
          size={15}
        >{`Trial start: ${trial.facts.how.replaceAll('-', ' ')}. ${trial.facts.note}`}</Words>
      ))}
      {sheet === 'wait' ? <WaitSheet handle={handle} onClose={() => setSheet(null)} /> : null}
      {sheet === 'hand-on' ? <HandOnSheet handle={handle} onClose={() => setSheet(null)} /> : null}
    </View>
  );
}

const stepsLeft = ({ card }: CardHandle): number => card?.steps.filter((step) => step.state === 'to-do').length ?? 0;

/** The one thing that moves the card on from where it stands. */
function NextAction({ handle, jobId }: { readonly handle: CardHandle; readonly jobId: string }) {
  const { card, state, reply } = handle;
  const now = useServerNow(10_000);
  if (state.startsWith('waits-') || state === 'parked')
    return <Button kind="main" tall label="Continue the work" onPress={() => handle.add('resumed', { why: '' })} />;
  if (state === 'waiting')
    return (
      <Button
        kind="main"
        tall
        label="Start work on it"
        detail="The card then lists its steps"
        onPress={() => handle.add('hands-on', {})}
      />
    );
  if (reply === null) return null;
  const setting = proofSettingOfCard(reply, handle.entries);
  const asksNothing = setting.needs.length === 0 && setting.looks.length === 0;
  const { missing } = proofOfEntries(handle.entries, setting, new Date(now).toISOString());
  const toProof = () => {
    if (state !== 'to-prove') handle.add('to-proof', {});
    router.navigate(`/j/${jobId}/proof`);
  };
  if (state === 'to-prove')
    return (
      <Button
        kind="main"
        tall
        label="Continue the proof"
        detail={missing.length > 0 ? `${missing.length} things still needed` : ''}
        onPress={toProof}
      />
    );
  // Where nothing must run or be looked at, each job is signed off under its own heading.
  if (asksNothing && !reply.visit.unproved) return null;
  const left = stepsLeft(handle);
  const off = card?.ledger.complete === false;
  return (
    <Button
      kind={left > 0 ? 'plain' : 'main'}
      tall={left === 0}
      label={off ? 'Prove it: parts are still off' : 'Prove it'}
      offBecause={off ? 'Put back what is in the tray, or say that it stays off.' : null}
      onPress={toProof}
    />
  );
}
