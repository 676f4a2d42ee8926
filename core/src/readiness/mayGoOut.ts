import { seenLength } from '../fields/visible';
import type { Readiness, ReadinessVerdict } from './readinessOf';

export type GoingOut =
  | { readonly may: true; readonly waives: boolean }
  | {
      readonly may: false;
      readonly code: 'not-ready';
      readonly readiness: Readiness;
      readonly because: readonly string[];
    }
  | {
      readonly may: false;
      readonly code: 'prep-not-done';
      readonly because: readonly string[];
      readonly leadMayWaive: true;
    };

/**
 * May this unit go out now?
 * In: its readiness, whether a lead signs, the reason given for waiving (empty: none), and what falls due during the hire (see fallsDue).
 * Out: yes, or no with the reason. Held, out, laid-up and gone units never go; one in prep, or whose service would run out on the hire, goes when
 * a lead waives it with a reason.
 */
export function mayGoOut(
  verdict: ReadinessVerdict,
  signer: { readonly isLead: boolean; readonly waiverReason: string },
  due: readonly string[],
): GoingOut {
  const { readiness } = verdict;
  if (readiness !== 'prep' && readiness !== 'fit')
    return { may: false, code: 'not-ready', readiness, because: verdict.because };
  const because = [...(readiness === 'prep' ? verdict.because : []), ...due];
  if (because.length === 0) return { may: true, waives: false };
  if (signer.isLead && seenLength(signer.waiverReason) >= 3) return { may: true, waives: true };
  return { may: false, code: 'prep-not-done', because, leadMayWaive: true };
}
