import { router } from 'expo-router';
import { useState } from 'react';
import { post, Refused, sentenceOf, takeBack, useOutbox } from '@/api';
import { Button, Failure, READINESS_WORD, Words } from '@/design';
import { sayTime } from '@/features/fleet';
import { usePerson } from '@/features/session';
import type { LeafProps, Sent } from './leaf';
import { judgeDraft, toNewCheckIn, type Draft } from './draft';
import { LeafFrame } from './LeafFrame';
import { VerdictCard } from './VerdictCard';

interface Props extends LeafProps {
  readonly drop: () => Promise<void>;
  readonly onSent: (sent: Sent) => void;
}

/** The verdict with its reasons, the work it raises, the bill; then confirm. */
export function VerdictLeaf({ draft, change, drop, onSent }: Props) {
  const { role } = usePerson();
  const verdict = judgeDraft(draft, role === 'apprentice', new Date());
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState<unknown>(null);
  const refusedBefore = useOutbox().find((letter) => letter.body.id === draft.id && letter.state === 'refused');
  const conflict = conflictOf(error, refusedBefore?.problem);
  const send = async (look: Draft) => {
    setBusy(true);
    setError(null);
    try {
      const kept = await post(toNewCheckIn(look), look);
      await drop();
      onSent(kept ? { kept } : { waiting: true });
    } catch (failure) {
      setError(failure);
    } finally {
      setBusy(false);
    }
  };
  const asSecondLook = (firstId: string) => {
    change({ secondLookOf: firstId });
    void send({ ...draft, secondLookOf: firstId });
  };
  const giveUp = async () => {
    await takeBack(draft.id);
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
          disabled={busy || conflict !== null}
          onPress={() => void send(draft)}
        />
      }
    >
      {conflict ? (
        <Conflict
          tag={draft.tag}
          first={conflict}
          onKeep={() => asSecondLook(conflict.id)}
          onGiveUp={() => void giveUp()}
        />
      ) : error ? (
        <Failure sentence={sentenceOf(error)} kept="All that you entered is kept on this device." />
      ) : null}
      <VerdictCard tag={draft.tag} verdict={verdict} />
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

function conflictOf(
  error: unknown,
  before: { code: string; facts?: Readonly<Record<string, unknown>> | undefined } | undefined,
): First | null {
  if (error instanceof Refused && error.code === 'already-checked-in') return error.problem.facts as unknown as First;
  return before?.code === 'already-checked-in' ? (before.facts as unknown as First) : null;
}

function Conflict({
  tag,
  first,
  onKeep,
  onGiveUp,
}: {
  readonly tag: string;
  readonly first: First;
  readonly onKeep: () => void;
  readonly onGiveUp: () => void;
}) {
  return (
    <Failure
      sentence={`${first.by} checked ${tag} in ${sayTime(first.at)}: ${READINESS_WORD[first.result]}.`}
      kept="Yours is kept on this device. What do you want done with it?"
    >
      {first.reasons.map((reason) => (
        <Words key={reason}>{reason}</Words>
      ))}
      <Button kind="main" label="Keep mine too, as a second look" onPress={onKeep} />
      <Button kind="stop" label="Theirs is enough: drop mine" onPress={onGiveUp} />
    </Failure>
  );
}
