import { engineFamily, type Learned } from '@hudrik/core/diagnosis';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useRead } from '@/api';
import { ask, askForSchools } from '@/workers/diagnosis';
import type { Ahead, Answer, Question } from '@/workers/lookInto';
import { observationsOf, setUpsOf } from '@hudrik/core/log';
import type { LocalFinding } from './finding';

export interface Thought {
  readonly answer: Answer | null;
  /** Minutes to the end, ours and the schools’; null until they are reckoned. */
  readonly ahead: Ahead | null;
  readonly failed: string | null;
  /** The answer is of what was seen before; the new one is on its way. */
  readonly thinking: boolean;
}

/** What the worker makes of a finding: anew at each change, the schools a moment later. */
export function useDiagnosis(
  finding: LocalFinding,
  toolsAtHand: readonly string[] | null,
  pick: Question['pick'],
  order: Question['order'],
): Thought {
  const { entries, machine } = finding;
  const learned = useLearned(machine);
  const question = useMemo((): Question => {
    const { chapters, passedOver, madeHere } = observationsOf(entries);
    return { machine, chapters, passedOver, setUpsDone: setUpsOf({ madeHere }), toolsAtHand, learned, pick, order };
  }, [entries, machine, toolsAtHand, learned, pick, order]);
  const [answered, setAnswered] = useState<{ question: Question; answer: Answer } | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  useEffect(() => {
    let left = false;
    ask(question).then(
      (answer) => {
        if (left) return;
        setAnswered({ question, answer });
        setFailed(null);
      },
      (error: Error) => void (left || setFailed(error.message)),
    );
    return () => {
      left = true;
    };
  }, [question]);
  const ahead = useAhead(question);
  return { answer: answered?.answer ?? null, ahead, failed, thinking: answered?.question !== question };
}

/** What proven causes of this class and engine family have taught. Without a connection, what was known last. */
function useLearned(machine: LocalFinding['machine']): Learned | null {
  const learned = useRead('learned');
  return useMemo(() => {
    const lesson = learned.data?.lessons.find(
      (entry) => entry.classId === (machine.classId ?? null) && entry.family === engineFamily(machine.engine),
    );
    return lesson ?? null;
  }, [learned.data, machine]);
}

const PAUSE_MS = 1500;

/** Which step is shown does not matter here: it is asked once a finding has stood for a moment. */
function useAhead(question: Question): Ahead | null {
  const key = JSON.stringify([
    question.machine,
    question.chapters,
    question.setUpsDone,
    question.toolsAtHand,
    question.learned,
  ]);
  const asked = useRef(question);
  const [known, setKnown] = useState<{ key: string; ahead: Ahead } | null>(null);
  useEffect(() => {
    asked.current = question;
  }, [question]);
  useEffect(() => {
    let left = false;
    const timer = setTimeout(() => {
      askForSchools(asked.current).then(
        (ahead) => void (left || setKnown({ key, ahead })),
        () => undefined,
      );
    }, PAUSE_MS);
    return () => {
      left = true;
      clearTimeout(timer);
    };
  }, [key]);
  return known?.key === key ? known.ahead : null;
}
