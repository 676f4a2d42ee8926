import type { Problem } from '@hudrik/core/contracts';
import { router } from 'expo-router';
import { useState } from 'react';
import { Refused, sentenceOf, usePerson } from '@/api';
import { Button, Failure, READINESS_WORD, Words } from '@/design';
import { useServerNow } from '@/features/clocks';
import { outbox, useAddEntry, useWaiting } from '@/outbox';
import { sayTime } from '@/writing';
import type { LeafProps, Sent } from './leaf';
import { factsOf, judgeDraft, type Draft } from './draft';
import { LeafFrame } from './LeafFrame';
import { FoundBefore, whatIsUnsaid } from './FoundBefore';
import { VerdictCard } from './VerdictCard';
import { isOf, isCheckedIn } from '@hudrik/core/log';

interface Props extends LeafProps {
  readonly drop: () => Promise<void>;
  readonly onSent: (sent: Sent) => void;
}

const ANSWER_MS = 8000;

/** The verdict with its reasons, the work it raises, the bill; then confirm. */
export function VerdictLeaf({ draft, change, drop, onSent }: Props) {
  const { role } = usePerson();
  const now = new Date(useServerNow());
  const verdict = judgeDraft(draft, role === 'apprentice', now);
  const add = useAddEntry();
  const [busy, setBusy] = useState(false);
  const problem = useWaiting().items.find((item) => item.id === draft.id)?.problem ?? null;
  const first = problem ? firstIn(problem) : null;
  const send = async (look: Draft) => {
    setBusy(true);
    const facts = factsOf(look);
    const photos = facts.answers.flatMap((answer) => answer.photos);
    await add('check-in', facts, { tag: look.tag }, { id: look.id, photos, draft: look });
    const item = await outbox().settled(look.id, ANSWER_MS);
    setBusy(false);
    // What the server refused stays here, to be decided about.
    if (item?.state === 'refused') return;
    await drop();
    const { answer } = item ?? {};
    if (answer && isOf(answer, 'check-in') && isCheckedIn(answer.outcome))
      onSent({ state: 'taken', cameTo: answer.outcome });
    else onSent({ state: 'waits', isKept: item?.isKept ?? true });
  };
  const asSecondLook = (firstId: string) => {
    change({ secondLookOf: firstId });
    void send({ ...draft, secondLookOf: firstId });
  };
  const giveUp = async () => {
    await outbox().discard(draft.id);
    await drop();
    router.replace(`/u/${draft.tag}`);
  };
  return (
    <LeafFrame
      action={
        <Button
          kind="main"
          tall
          label={busy ? 'Sending…' : 'Confirm'}
          disabled={busy}
          offBecause={first ? 'Decide above what becomes of yours.' : whatIsUnsaid(draft)}
          onPress={() => void send(draft)}
        />
      }
    >
      {first ? (
        <Conflict tag={draft.tag} first={first} onKeep={() => asSecondLook(first.id)} onGiveUp={() => void giveUp()} />
      ) : problem ? (
        <Failure sentence={sentenceOf(new Refused(problem))} kept="Everything you entered is kept on this device." />
      ) : null}
      <VerdictCard tag={draft.tag} verdict={verdict} />
      <FoundBefore draft={draft} change={change} mayClose={role !== 'apprentice'} />
    </LeafFrame>
  );
}

interface First {
  readonly id: string;
  readonly by: string;
  readonly at: string;
  readonly result: 'fit' | 'prep' | 'held';
  readonly reasons: readonly string[];
}

/** The check-in that came first, where that is why this one was refused. */
const firstIn = ({ code, facts }: Problem): First | null =>
  code === 'already-checked-in' ? (facts as unknown as First) : null;

interface ConflictProps {
  readonly tag: string;
  readonly first: First;
  readonly onKeep: () => void;
  readonly onGiveUp: () => void;
}

function Conflict({ tag, first, onKeep, onGiveUp }: ConflictProps) {
  return (
    <Failure
      sentence={`${first.by} checked ${tag} in ${sayTime(first.at)}: ${READINESS_WORD[first.result]}.`}
      kept="Yours is kept on this device. What do you want to do with it?"
    >
      {first.reasons.map((reason) => (
        <Words key={reason}>{reason}</Words>
      ))}
      <Button kind="main" label="Keep mine as a second look" onPress={onKeep} />
      <Button kind="stop" label="Discard mine" onPress={onGiveUp} />
    </Failure>
  );
}
