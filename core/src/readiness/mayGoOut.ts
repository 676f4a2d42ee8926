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
 * In: its readiness, whether a lead signs, and the reason given for waiving (empty: none). Out: yes, or no with the reason.
 * Held, out, laid-up and gone units never go; a unit in prep goes when a lead waives it with a reason.
 */
export function mayGoOut(
  verdict: ReadinessVerdict,
  signer: { readonly isLead: boolean; readonly waiverReason: string },
): GoingOut {
  if (verdict.readiness === 'fit') return { may: true, waives: false };
  if (verdict.readiness !== 'prep')
    return { may: false, code: 'not-ready', readiness: verdict.readiness, because: verdict.because };
  if (signer.isLead && signer.waiverReason.trim() !== '') return { may: true, waives: true };
  return { may: false, code: 'prep-not-done', because: verdict.because, leadMayWaive: true };
}
