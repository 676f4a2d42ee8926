import { whatWasDone, type Facts } from '@hudrik/core/log';
import { useState } from 'react';
import { WriteSheet } from '@/forms';
import type { CardHandle } from './useCard';

type Answered = 'leak-look' | 'proof-look';

/** An answer that is right now and was not before: what was done since is asked. */
interface Asking {
  readonly name: string;
  readonly send: (did: string) => void;
}

/** Gives an answer of a proof; where it was not right before, what was done since is asked first. Out: what gives it, and the sheet that asks. */
export function useAnswer(handle: CardHandle): {
  readonly answer: <K extends Answered>(
    kind: K,
    facts: Facts<K>,
    of: { readonly look: string; readonly name: string; readonly isRight: boolean },
  ) => void;
  readonly sheet: React.ReactNode;
} {
  const [asking, setAsking] = useState<Asking | null>(null);
  return {
    answer: (kind, facts, { look, name, isRight }) => {
      const isAsked = isRight && whatWasDone({ entries: handle.entries, facts: {} }, look) !== null;
      if (isAsked) setAsking({ name, send: (did) => handle.add(kind, { ...facts, did }) });
      else handle.add(kind, facts);
    },
    sheet: asking ? (
      <WriteSheet
        title={asking.name}
        sentence="It was not right before. A second look alone changes nothing: say what was done in between."
        label="What was done"
        button="It is right now"
        least={3}
        error={null}
        onSend={async (did) => asking.send(did)}
        onClose={() => setAsking(null)}
      />
    ) : null,
  };
}
