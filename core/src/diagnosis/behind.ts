import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
import type { Knowledge } from './compileModel';

export const STANDS_BEHIND: Threshold = {
  name: 'From this share on it is said what may stand behind a cause',
  value: 0.3,
  unit: 'share',
  source: JUDGEMENT,
};

export interface Behind {
  readonly cause: string;
  /** What often brings it about, and was neither confirmed nor looked at and found well. */
  readonly parent: string;
}

/**
 * What a repair of these causes would leave behind, so that they come back.
 * In: what was confirmed, and what was looked at with its outcome. Out: causes of which nothing that brings them about
 * was confirmed, with the likeliest. Example: a blocked
 * inlet screen with the tank not looked at has dirt in the tank behind it.
 */
export function behindOf(
  { brings, seenAs, observations }: Pick<Knowledge, 'brings' | 'seenAs' | 'observations'>,
  causes: readonly string[],
  looked: readonly { readonly observation: string; readonly outcome: string }[],
): Behind[] {
  const isWell = (fault: string): boolean =>
    seenAs.some(
      (look) =>
        look.fault === fault &&
        looked.some(
          ({ observation, outcome }) =>
            observation === look.observation && Object.keys(observations[observation]?.outcomes ?? {})[0] === outcome,
        ),
    );
  return causes.flatMap((cause): Behind[] => {
    const parents = Object.entries(brings)
      .map(([parent, children]) => ({ parent, share: children?.[cause] ?? 0 }))
      .filter(({ share }) => share >= STANDS_BEHIND.value)
      .sort((a, b) => b.share - a.share);
    // What brought it about is known.
    if (parents.some(({ parent }) => causes.includes(parent))) return [];
    const likeliest = parents.find(({ parent }) => !isWell(parent));
    return likeliest === undefined ? [] : [{ cause, parent: likeliest.parent }];
  });
}
