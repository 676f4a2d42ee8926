import { type AnyFault, JUDGEMENT, type Shown, type Threshold } from '../catalogue/shapes';

export const EXPLAINS_OFTEN: Threshold = {
  name: 'A cause explains what it shows at least so often',
  value: 0.1,
  unit: 'odds',
  source: JUDGEMENT,
};

/**
 * Which confirmed causes explain something told: those that show it often enough. A proposal: a person may tie it otherwise.
 * In: faults by id, the confirmed ones, what was told. Out: ids. Example: a blocked main jet explains "dies under load".
 */
export const explainedBy = (
  faults: Readonly<Record<string, AnyFault | undefined>>,
  causes: readonly string[],
  { observation, outcome }: Shown,
): string[] => causes.filter((id) => (faults[id]?.shows[observation]?.[outcome] ?? 0) >= EXPLAINS_OFTEN.value);
