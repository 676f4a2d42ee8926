import { cautionText, entryOf, faultOf, WAYS, type ClockId } from '@hudrik/core/catalogue';
import { workedMinutes } from '@hudrik/core/card';
import type { CardReply } from '@hudrik/core/contracts';
import { Link, router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, usePerson } from '@/api';
import { Button, Caution, Failure, Loading, Page, Section, useIsWide, Words } from '@/design';
import { sayDay, sayHours, sayMinutes } from '@/writing';
import { ClocksOfCard } from './ClocksOfCard';
import { Ledger } from './Ledger';
import { NotesOfCard } from './NotesOfCard';
import { NotTaken } from './NotTaken';
import { PartsOfCard } from './PartsOfCard';
import { STATE_WORD } from './say';
import { Readings, Steps } from './Steps';
import { useCard, type CardHandle } from './useCard';
import { WaitSheet } from './WaitSheet';

/** Work of these kinds ends by a look, without a run under load. */
const ENDS_BY_LOOK: ReadonlySet<string> = new Set(['prep', 'lay-up']);

/** A job's card: why it exists, what is to be done, what is off, what was read, and how it ends. */
export function CardScreen({ jobId }: { readonly jobId: string }) {
  const handle = useCard(jobId);
  const wide = useIsWide();
  const { role, name } = usePerson();
  const [clockAsked, setClockAsked] = useState<{ clock: ClockId | null; stepId: string | null } | null>(null);
  const { reply, card, state } = handle;
  if (reply === null || card === null)
    return handle.error ? (
      <Page>
        <Failure sentence={sentenceOf(handle.error)} retry={handle.retry} />
      </Page>
    ) : (
      <Loading what="the card" />
    );
  const ended = state === 'done' || state === 'dropped';
  const works = role !== 'counter' && !ended;
  const signs = role === 'technician' || role === 'lead';
  const head = <Head reply={reply} handle={handle} />;
  const actions = works ? (
    <Actions handle={handle} jobId={jobId} name={name} signs={signs} byLook={ENDS_BY_LOOK.has(reply.job.kind)} />
  ) : null;
  const steps = <Steps handle={handle} works={works} onClock={(clock, stepId) => setClockAsked({ clock, stepId })} />;
  const ledger = <Ledger handle={handle} jobId={jobId} works={works} />;
  const readings = <Readings handle={handle} works={works} />;
  const clocks = <ClocksOfCard handle={handle} works={works} asked={clockAsked} onAsked={setClockAsked} />;
  const parts = <PartsOfCard handle={handle} jobId={jobId} works={works} signs={signs} />;
  const notes = <NotesOfCard handle={handle} works={works} />;
  const paper = <Paper jobId={jobId} reply={reply} handle={handle} />;
  if (!wide)
    return (
      <Page>
        {head}
        {actions}
        {steps}
        {ledger}
        {clocks}
        {readings}
        {parts}
        {notes}
        {paper}
      </Page>
    );
  return (
    <Page wide>
      <View className="flex-row items-start gap-5">
        <View className="min-w-0 flex-1 gap-5">
          {head}
          {actions}
          {steps}
        </View>
        <View className="min-w-0 flex-1 gap-5">
          {ledger}
          {notes}
        </View>
        <View className="w-[300px] gap-5">
          {clocks}
          {readings}
          {parts}
          {paper}
        </View>
      </View>
    </Page>
  );
}

function Head({ reply, handle }: { readonly reply: CardReply; readonly handle: CardHandle }) {
  const { job, unit, comeback, causes } = reply;
  const cautions = [...new Set([job.caution, ...causes.map((id) => faultOf(id)?.caution)])].filter(
    (id): id is string => id != null,
  );
  return (
    <View className="gap-3">
      <View className="gap-1">
        <View className="flex-row items-baseline gap-3">
          <Link href={`/u/${unit.tag}`} className="font-stencil text-32 text-ink underline">
            {unit.tag}
          </Link>
          <Words face="strong" size={15} className="ml-auto" role="status">
            {STATE_WORD[handle.state]}
          </Words>
        </View>
        <Words role="heading" aria-level={1} size={22} face="strong">
          {job.title}
        </Words>
        {job.why.map((why) => (
          <Words key={why} size={15}>
            {why}
          </Words>
        ))}
        <Words
          size={13}
          tone="ink-soft"
        >{`${unit.model} · ${sayHours(unit.trueHours)} · raised ${sayDay(job.raisedAt)} · ${sayMinutes(job.minutes)} expected`}</Words>
      </View>
      {comeback ? (
        <View className="gap-1 border-l-[6px] border-held bg-paper p-3" role="alert">
          <Words face="strong">{`A comeback: ${comeback.days} days${comeback.hours === null ? '' : ` and ${comeback.hours} h`} after the last proof.`}</Words>
          <Words
            size={15}
          >{`Then: ${[comeback.title, ...comeback.causes, comeback.did].filter(Boolean).join('. ')}.`}</Words>
          <Link href={`/j/${comeback.jobId}`} className="font-text text-15 text-ink underline">
            See that card
          </Link>
        </View>
      ) : null}
      {cautions.map((id) => (
        <Caution key={id} text={cautionText(id)} />
      ))}
      <NotTaken handle={handle} />
    </View>
  );
}

function Actions({
  handle,
  jobId,
  name,
  signs,
  byLook,
}: {
  readonly handle: CardHandle;
  readonly jobId: string;
  readonly name: string;
  readonly signs: boolean;
  readonly byLook: boolean;
}) {
  const [waiting, setWaiting] = useState(false);
  const { card, state } = handle;
  const mine = card?.working.find((entry) => entry.by === name);
  const spent = Object.entries(card ? workedMinutes(card) : {});
  const stepsLeft = hasStepsLeft(handle);
  return (
    <View className="gap-2">
      <NextAction handle={handle} jobId={jobId} byLook={byLook} />
      <View className="flex-row flex-wrap gap-2">
        {state === 'waiting' ? null : (
          <Button
            className="grow"
            kind={!mine && stepsLeft && state === 'open' ? 'main' : 'plain'}
            label={mine ? 'Stop my time' : 'Start my time'}
            detail={spent.map(([who, minutes]) => `${who}: ${sayMinutes(minutes)}`).join(', ')}
            onPress={() => handle.add(mine ? 'hands-off' : 'hands-on', {})}
          />
        )}
        <Button className="grow" label="Pause, or try it" onPress={() => setWaiting(true)} />
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
      {waiting ? <WaitSheet handle={handle} onClose={() => setWaiting(false)} /> : null}
    </View>
  );
}

const hasStepsLeft = ({ card }: CardHandle): boolean => card?.steps.some((step) => step.state === 'to-do') === true;

/** The one thing that moves the card on from where it stands. */
function NextAction({
  handle,
  jobId,
  byLook,
}: {
  readonly handle: CardHandle;
  readonly jobId: string;
  readonly byLook: boolean;
}) {
  const { card, state } = handle;
  if (state === 'waits-clock' || state === 'waits-part' || state === 'waits-decision')
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
  if (byLook) return null;
  const toProof = () => {
    if (state !== 'to-prove') handle.add('to-proof', {});
    router.navigate(`/j/${jobId}/proof`);
  };
  if (state === 'to-prove') return <Button kind="main" tall label="Continue the proof" onPress={toProof} />;
  const stepsLeft = hasStepsLeft(handle);
  const off = card?.ledger.complete === false;
  return (
    <Button
      kind={stepsLeft ? 'plain' : 'main'}
      tall={!stepsLeft}
      label={off ? 'Prove it: parts are still off' : 'Prove it'}
      disabled={off}
      onPress={toProof}
    />
  );
}

function Paper({
  jobId,
  reply,
  handle,
}: {
  readonly jobId: string;
  readonly reply: CardReply;
  readonly handle: CardHandle;
}) {
  const stale = handle.card?.edition !== null && handle.card?.edition !== reply.edition;
  return (
    <Section title="On paper">
      {stale ? (
        <Words
          size={15}
          role="note"
        >{`The steps come from an earlier edition of the template (${handle.card?.edition}); today’s is ${reply.edition}. This card keeps its own steps.`}</Words>
      ) : null}
      <View className="no-print flex-row flex-wrap gap-2">
        <Button className="grow" label="Card (PDF)" onPress={() => window.open(`/api/jobs/${jobId}/card.pdf`)} />
        <Button className="grow" label="Print this page" onPress={() => window.print()} />
      </View>
    </Section>
  );
}
