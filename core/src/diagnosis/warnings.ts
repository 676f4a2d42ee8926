import { JUDGEMENT, type Misleading, type Threshold } from '../catalogue/shapes';
import type { Diagnosis } from './diagnose';
import { asList, type Finding } from './Finding';

/** What misleads, and what goes with a cause: facts with a code; the words are the catalogue's. */
export type Warning =
  | { readonly code: 'misleading'; readonly rule: string }
  | { readonly code: 'counted-once'; readonly observation: string }
  | { readonly code: 'conflict'; readonly observation: string; readonly with: string }
  | {
      readonly code: 'consequence';
      readonly consequence: string;
      readonly causes: readonly string[];
      readonly probability: number;
    };

const isDue = (rule: Misleading, finding: Finding): boolean => {
  const { past, engine } = finding.model.machine;
  const shows = ({
    observation,
    outcomes,
  }: {
    readonly observation: string;
    readonly outcomes?: readonly string[];
  }): boolean =>
    asList(finding.seen[observation]).some((outcome) => outcomes === undefined || outcomes.includes(outcome));
  return (
    rule.seen.every((group) => group.some(shows)) &&
    !(rule.unless ?? []).some((observation) => finding.seen[observation] !== undefined) &&
    Object.entries(rule.past ?? {}).every(([name, value]) => Reflect.get(past, name) === value) &&
    !Object.entries(rule.notEngine ?? {}).some(([trait, value]) => Reflect.get(engine, trait) === value)
  );
};

export const WORTH_TELLING: Threshold = {
  name: 'A consequence is told with its cause from these odds on',
  value: 0.15,
  unit: 'probability',
  source: JUDGEMENT,
};

/** All warnings that are due. In: the finding and its diagnosis. Source: common practice. */
export function warningsOf(finding: Finding, diagnosis: Diagnosis): Warning[] {
  return [
    ...finding.knowledge.misleading
      .filter((rule) => isDue(rule, finding))
      .map(({ code }): Warning => ({ code: 'misleading', rule: code })),
    ...diagnosis.countedOnce.map((observation): Warning => ({ code: 'counted-once', observation })),
    ...diagnosis.conflicts.map((conflict): Warning => ({
      code: 'conflict',
      observation: conflict.observation,
      with: conflict.with,
    })),
    ...consequences(finding, diagnosis),
  ];
}

function consequences(finding: Finding, diagnosis: Diagnosis): Warning[] {
  const ids = new Set(finding.model.faultIds.flatMap((id) => finding.knowledge.faults[id]?.consequences ?? []));
  return [...ids].flatMap((consequence): Warning[] => {
    const causes = diagnosis.suspects.filter((suspect) =>
      finding.knowledge.faults[suspect.id]?.consequences?.includes(consequence),
    );
    const probability = 1 - causes.reduce((none, suspect) => none * (1 - suspect.probability), 1);
    return probability < WORTH_TELLING.value
      ? []
      : [
          {
            code: 'consequence',
            consequence,
            causes: causes.filter((suspect) => suspect.probability > 0.02).map((suspect) => suspect.id),
            probability,
          },
        ];
  });
}
