import type { Role } from '../fields';
import type { ReadingFinding, Suggestion } from '../hours';
import type { CardRefusal, Timing } from '../log';
import type { SupersessionProblem } from '../parts';
import type { Readiness } from '../readiness';

/** What something goes by, where that is asked for: its table and its id or name. */
type Named = Readonly<Record<string, string | number | null | readonly unknown[]>>;

interface OfDefect {
  readonly id: string;
  readonly sentence: string;
}

/**
 * What goes with a refusal, by its code: the sentence that a person reads is made of it where it is shown. A code without a line has no facts;
 * one whose refusal may come from the database itself, which tells none, is sent without.
 */
export interface FailureFacts {
  'not-your-role': { readonly role: Role; readonly wants: readonly Role[] };
  'somebody-else': { readonly signedIn: number };
  'foreign-origin': { readonly origin: string } | { readonly site: string };
  /** Seconds until it may be tried again. */
  'wrong-pin': { readonly seconds?: number };
  'too-many': { readonly seconds?: number };
  'bad-key': { readonly key: string };
  'key-reused': { readonly id: string } | { readonly key: string };
  'not-json': { readonly wants?: readonly string[] };
  'too-large': { readonly most: number } | { readonly mostPixels: number };
  'not-found': Named;
  'no-such-tag': { readonly tag: string } | { readonly id: number };
  'already-there': Named | { readonly constraint?: string | undefined };
  'changed-meanwhile': { readonly version: number } | { readonly reference: string } | { readonly now: object };
  /** Which field, what stood in it, what would have been right, and why. */
  'not-valid': {
    readonly field?: string | null;
    readonly value?: unknown;
    readonly wants?: unknown;
    readonly why?: string;
    readonly weekday?: number;
    readonly from?: string;
    readonly to?: string;
    readonly wrong?: unknown;
    readonly classId?: string;
  };
  'wrong-columns': {
    readonly missing?: readonly string[];
    readonly unknown?: readonly string[];
    readonly wants?: readonly string[];
    readonly line?: unknown;
    readonly why?: string;
  };
  'backup-damaged': { readonly file: string; readonly why: string };
  'backup-of-another': {
    readonly format?: string;
    readonly version?: number;
    readonly migration?: string;
    readonly here?: string;
  };
  'hours-below-last': {
    readonly lastReading: number;
    readonly finding?: ReadingFinding;
    readonly suggestions?: readonly Suggestion[];
  };
  'hours-not-plausible': { readonly finding: ReadingFinding; readonly suggestions: readonly Suggestion[] };
  'finding-closed': { readonly finding: string | null };
  'last-lead': { readonly name: string };
  'would-spoil': { readonly can: string };
  'not-laid-up': { readonly tag: string };
  'does-not-fit': { readonly method: string; readonly classId: string };
  'tank-too-small': { readonly litres: number; readonly holds: number };
  'not-ready': { readonly readiness?: Readiness; readonly because?: readonly string[] };
  'prep-not-done': { readonly because: readonly string[]; readonly leadMayWaive: true };
  'already-out': { readonly tag: string } | { readonly reference: string; readonly state: string };
  'hire-in-past': { readonly fromAt: string };
  'hire-too-short': { readonly fromAt: string; readonly toAt: string };
  'hire-doubtful':
    | { readonly why: 'none-free'; readonly classId: string }
    | { readonly why: 'not-fit'; readonly readiness: Readiness; readonly because: readonly string[] }
    | { readonly why: 'runs-out'; readonly because: readonly string[] };
  'hire-overlaps': { readonly tag: string; readonly reference?: string; readonly fromAt?: string };
  'not-hired': { readonly reference: string; readonly tag?: string; readonly state?: string };
  'not-looked-at': { readonly defects: readonly OfDefect[] };
  'things-off': { readonly things: readonly string[]; readonly sentence?: string };
  'clock-runs': { readonly clock: string };
  'defect-closed': { readonly sentence: string; readonly by: string | null };
  'unit-is-out': { readonly reference: string };
  'look-too-old': { readonly seenAt: string; readonly sentence: string };
  'closes-otherwise': { readonly sentence: string };
  'worked-since': { readonly at: string; readonly sentence: string };
  'needs-proof': OfDefect & { readonly jobId: string | null };
  'second-wanted': { readonly why: 'seen-twice' | 'danger' | 'not-fitted' | 'figure'; readonly sentence: string };
  /** Who was here today and may. */
  'second-present': { readonly names: readonly string[] };
  'photo-wanted': { readonly why: 'missing' | 'used' | 'old' };
  'time-not-known': { readonly timing: Timing };
  'always-there': { readonly check: string };
  'check-open': OfDefect;
  'figure-not-confirmed': OfDefect & {
    readonly rating: string;
    readonly of: 'unit' | 'model';
    readonly value: number | null;
  };
  'kit-not-counted': { readonly items: readonly { readonly id: string; readonly name: string }[] };
  'looks-missing': { readonly looks: readonly { readonly id: string; readonly words: string }[] };
  'own-word': { readonly by: string };
  'wrong-host': { readonly host: string };
  'needs-number': OfDefect & { readonly check: string; readonly unit: string };
  'not-in-limit': OfDefect;
  'not-shown-yet': OfDefect & { readonly wants: string };
  'not-lived-with': { readonly sentence: string; readonly why: 'safety' | 'kind' | 'not-proved' };
  'job-closed': { readonly state: string };
  'not-proven': { readonly kind: string };
  'card-refused': { readonly why: CardRefusal };
  'part-unknown': { readonly number: string; readonly today?: string } | { readonly field: string };
  'parts-tangled': { readonly problem: SupersessionProblem } | { readonly field: string };
  'not-in-stock': { readonly number: string };
  'part-line-moved': { readonly state: string };
  'order-moved': { readonly state: string };
  'shelf-promised': { readonly promised: number; readonly waiting: readonly unknown[] };
  unexpected: { readonly request: unknown };
}
