import type { Step } from '@hudrik/core/diagnosis';
import { useSigns } from '@/api';
import { observationsOf } from '@hudrik/core/log';
import type { Answer } from '@/workers/lookInto';
import type { LocalFinding } from './finding';
import { StepCard } from './StepCard';
import type { FindingHandle } from './useFinding';

interface Props {
  readonly step: Step;
  readonly answer: Answer;
  readonly finding: LocalFinding;
  readonly handle: FindingHandle;
  readonly altitudeM: number;
  readonly setUpsDone: readonly string[];
  readonly live: boolean;
  readonly onAnswered: () => void;
  readonly onConfirm: () => void;
  readonly onOpen: (sheet: 'steps' | 'table') => void;
}

/** The step on top, whose answer is one more thing seen, and then the next one. */
export function CurrentStep({ step, answer, finding, handle, onAnswered, onConfirm, onOpen, ...rest }: Props) {
  const confirms = useSigns();
  return (
    <StepCard
      step={step}
      shown={answer.shown}
      seen={Object.assign({}, ...observationsOf(finding.entries).chapters.map((chapter) => chapter.seen))}
      machine={finding.machine}
      limits={finding.limits ?? null}
      probability={answer.diagnosis.suspects.find((entry) => entry.id === step.id)?.probability ?? 0}
      confirms={confirms}
      onSeen={(outcomes, reading) => {
        handle.see(step.id, outcomes, reading);
        onAnswered();
      }}
      onCouldNotTell={() => {
        handle.couldNotTell(step.id);
        onAnswered();
      }}
      onRepaired={() => {
        handle.repaired(step.id);
        onAnswered();
      }}
      onConfirm={onConfirm}
      onOther={() => onOpen('steps')}
      onTable={() => onOpen('table')}
      {...rest}
    />
  );
}
