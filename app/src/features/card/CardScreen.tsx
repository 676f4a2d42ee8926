import type { Card } from '@hudrik/core/card';
import type { ClockId } from '@hudrik/core/catalogue';
import type { CardReply } from '@hudrik/core/contracts';
import { Fragment, useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, usePerson, useSigns } from '@/api';
import { Button, Failure, JumpStrip, jumpTo, Loading, Page, Section, useIsWide, Words } from '@/design';
import { UnitSheetFacts } from '@/features/sheet';
import { CardActions } from './CardActions';
import { CardHead } from './CardHead';
import { ClocksOfCard } from './ClocksOfCard';
import { Ledger } from './Ledger';
import { MeasuresOfCard } from './MeasuresOfCard';
import { NotesOfCard } from './NotesOfCard';
import { PartsOfCard } from './PartsOfCard';
import { Readings } from './Readings';
import { useCard, type CardHandle } from './useCard';
import { VisitJobs } from './VisitJobs';
import { WhatIsWrong } from './WhatIsWrong';

/** What has its clock asked for: of a step, or by hand. */
interface ClockAsked {
  readonly clock: ClockId | null;
  readonly stepId: string | null;
}

/** A visit's card: what is wrong with the unit, what is done about it, what is off, what was read, and how it ends. */
export function CardScreen({ jobId }: { readonly jobId: string }) {
  const handle = useCard(jobId);
  const { reply, card } = handle;
  if (reply === null || card === null)
    return handle.error ? (
      <Page>
        <Failure sentence={sentenceOf(handle.error)} retry={handle.retry} />
      </Page>
    ) : (
      <Loading what="the card" />
    );
  return <WholeCard handle={handle} reply={reply} card={card} jobId={jobId} />;
}

interface WholeProps {
  readonly handle: CardHandle;
  readonly reply: CardReply;
  readonly card: Card;
  readonly jobId: string;
}

function WholeCard({ handle, reply, card, jobId }: WholeProps) {
  const wide = useIsWide();
  const { role } = usePerson();
  const [clockAsked, setClockAsked] = useState<ClockAsked | null>(null);
  const works = role !== 'counter' && handle.state !== 'ended';
  const signs = useSigns();
  const head = <CardHead reply={reply} handle={handle} />;
  const ask = (clock: ClockId, stepId: string) => setClockAsked({ clock, stepId });
  const work = (
    <Fragment key="work">
      {works ? <CardActions handle={handle} jobId={jobId} signs={signs} /> : null}
      <WhatIsWrong reply={reply} />
      <VisitJobs handle={handle} reply={reply} works={works} onClock={ask} />
    </Fragment>
  );
  const ledger = <Ledger key="ledger" handle={handle} jobId={jobId} works={works} />;
  const notes = <NotesOfCard handle={handle} works={works} />;
  const clocks = <ClocksOfCard handle={handle} works={works} asked={clockAsked} onAsked={setClockAsked} />;
  const readings = (
    <>
      <Readings handle={handle} works={works} />
      <MeasuresOfCard handle={handle} works={works} />
      <UnitSheetFacts tag={reply.unit.tag} />
    </>
  );
  const parts = <PartsOfCard handle={handle} jobId={handle.jobId} works={works} signs={signs} />;
  const paper = <Paper jobId={jobId} reply={reply} handle={handle} />;
  // What lies in the tray is the first thing that the hand looks for.
  const isOff = !card.ledger.complete;
  useStayAtTray(isOff);
  if (!wide)
    return (
      <Page>
        {head}
        <JumpStrip places={placesOf(card, reply)} />
        {isOff ? [ledger, work] : [work, ledger]}
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
          {work}
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

/** The tray goes up when the first thing comes off, and down with the last: the eye goes with it. */
function useStayAtTray(isOff: boolean): void {
  const was = useRef(isOff);
  useEffect(() => {
    if (was.current !== isOff) jumpTo('tray');
    was.current = isOff;
  }, [isOff]);
}

/** Where the strip leads, in the order in which they stand. */
function placesOf({ ledger, steps, clocks, readings, notes }: Card, { defects, parts }: CardReply) {
  const off = ledger.putBack.length + ledger.onTrial.length;
  const tray = { id: 'tray', label: 'Tray', count: off };
  return [
    ...(off > 0 ? [tray] : []),
    { id: 'wrong', label: 'Wrong', count: defects.length },
    { id: 'jobs', label: 'Steps', count: steps.filter((step) => step.state === 'to-do').length },
    ...(off > 0 ? [] : [tray]),
    { id: 'clocks', label: 'Clocks', count: clocks.filter((clock) => clock.result === null).length },
    { id: 'readings', label: 'Readings', count: readings.length },
    { id: 'parts', label: 'Parts', count: parts.length },
    { id: 'notes', label: 'Notes', count: notes.length },
    { id: 'paper', label: 'Paper' },
  ];
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
    <Section title="On paper" place="paper">
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
