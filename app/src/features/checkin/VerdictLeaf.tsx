import { useState } from 'react';
import { Refused, sentenceOf, usePerson } from '@/api';
import { Button, Failure } from '@/design';
import { useServerNow } from '@/features/clocks';
import { outbox, useAddEntry, useWaiting } from '@/outbox';
import type { LeafProps, Sent } from './leaf';
import { factsOf, judgeDraft } from './draft';
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
  const send = async () => {
    setBusy(true);
    const facts = factsOf(draft);
    const photos = facts.answers.flatMap((answer) => answer.photos);
    await add('check-in', facts, { tag: draft.tag }, { id: draft.id, photos, draft });
    const item = await outbox().settled(draft.id, ANSWER_MS);
    setBusy(false);
    // What the server refused stays here, to be decided about.
    if (item?.state === 'refused') return;
    await drop();
    const { answer } = item ?? {};
    if (answer && isOf(answer, 'check-in') && isCheckedIn(answer.outcome))
      onSent({ state: 'taken', cameTo: answer.outcome });
    else onSent({ state: 'waits', isKept: item?.isKept ?? true });
  };
  return (
    <LeafFrame
      action={
        <Button
          kind="main"
          tall
          label={busy ? 'Sending…' : 'Confirm'}
          disabled={busy}
          offBecause={whatIsUnsaid(draft)}
          onPress={() => void send()}
        />
      }
    >
      {problem ? (
        <Failure sentence={sentenceOf(new Refused(problem))} kept="Everything you entered is kept on this device." />
      ) : null}
      <VerdictCard tag={draft.tag} verdict={verdict} />
      <FoundBefore draft={draft} change={change} mayClose={role !== 'apprentice'} />
    </LeafFrame>
  );
}
