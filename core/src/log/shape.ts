import type { AnyObjectSchema, InferType } from 'yup';
import type { Card, VisitState } from '../card';
import type { Role } from '../fields';
import type { ProofSetting, TooSoon } from '../proof';

/** What a person reads of an entry. */
export interface Telling {
  readonly title: string;
  readonly lines: readonly string[];
}

/** What needs the reader's own words: times of the place, hours, levels. Handed in by whoever shows it. */
export interface Wording {
  readonly time: (instant: string) => string;
  readonly hours: (hours: number) => string;
  readonly fuel: (eighths: number) => string;
  readonly readiness: (readiness: string) => string;
}

/** An entry of the log: what happened, when, by whom. `outcome` is what came of it when it was taken; nothing while it is on its way. */
export interface Entry<K extends string = string, F = unknown, O = unknown> {
  readonly id: string;
  readonly at: string;
  /** When it arrived; without one, it is on its way. */
  readonly takenAt?: string;
  /** Who did it; nobody: the program itself. */
  readonly by: string | null;
  readonly kind: K;
  readonly facts: F;
  readonly outcome: O;
  /** The job that it was done for. */
  readonly jobId?: string | null;
}

/** What the ids in an entry's facts were called when it was taken. */
export interface Names {
  readonly title?: string;
  readonly what?: string;
  readonly step?: string;
  readonly clock?: string;
}

/** What an entry on a card is held against. */
export interface CardAsked<F> {
  readonly card: Card;
  /** All entries of the card so far. */
  readonly entries: readonly Entry[];
  readonly facts: F;
  readonly setting: ProofSetting;
  /** When it happened. */
  readonly at: string;
  /** Who did it, and as what. */
  readonly by: string | null;
  readonly role: Role;
  readonly now: string;
}

/** Why an entry cannot be taken on a card as it stands. */
export type CardRefusal =
  | { readonly code: 'things-off'; readonly things: readonly string[] }
  | { readonly code: 'on-trial'; readonly things: readonly string[] }
  | { readonly code: 'no-such-thing'; readonly id: string }
  | { readonly code: 'not-off'; readonly what: string; readonly state: string }
  | { readonly code: 'clock-ended'; readonly result: string }
  | { readonly code: 'clock-not-over'; readonly endsAt: string }
  | { readonly code: 'clock-runs'; readonly clock: string }
  | { readonly code: 'steps-left'; readonly steps: readonly string[] }
  | { readonly code: 'run-too-early'; readonly since: string }
  | { readonly code: 'run-overlaps'; readonly tag: string }
  | { readonly code: 'not-in-proof' }
  /** It came off again, or was begun, after that was seen. */
  | { readonly code: 'seen-before'; readonly what: string; readonly since: string }
  | { readonly code: 'clock-too-short'; readonly minutes: number }
  | { readonly code: 'early-not-good' }
  | TooSoon
  | { readonly code: 'no-such-load' }
  /** It cannot be told in that unit. */
  | { readonly code: 'no-such-unit'; readonly wants: string }
  | { readonly code: 'load-figure-wanted'; readonly least: number; readonly most: number; readonly unit: string }
  /** It was said not to be right: what was done since? */
  | { readonly code: 'done-what' }
  | { readonly code: 'system-wanted'; readonly things: readonly string[] }
  | { readonly code: 'signers-only'; readonly what: 'system' | 'stays-off' | 'short-clock' | 'early-end' }
  | { readonly code: 'lead-only'; readonly what: 'live-reading' }
  | { readonly code: 'not-to-take-back' }
  | { readonly code: 'leak-look-first' }
  | { readonly code: 'not-passed'; readonly missing: readonly string[] };

/** What an entry of a job's card does to the card. */
interface CardSide<F> {
  /** The card after it; without one, the card shows nothing of it. */
  readonly change?: (card: Card, entry: Entry<string, F>) => Card;
  readonly refusal?: (asked: CardAsked<F>) => CardRefusal | null;
  /** The visit's state after it. Without one, work on a waiting visit opens it. */
  readonly visitState?: (state: VisitState, facts: F, card: Card) => VisitState;
  /** Only while the visit is in its proof. */
  readonly ofProof?: true;
}

/** What an entry of a finding does to what is seen. */
type FindingSide<F> = (facts: F) => FindingStep;

type FindingStep =
  | { readonly kind: 'seen'; readonly observation: string; readonly outcomes: readonly string[] }
  | { readonly kind: 'could-not-tell' | 'taken-back'; readonly observation: string }
  | { readonly kind: 'repaired'; readonly fault: string }
  | { readonly kind: 'said'; readonly fault: string; readonly so: boolean }
  | { readonly kind: 'nothing' };

/** What an entry hangs on, besides the unit. */
export type Place = 'unit' | 'job' | 'finding' | 'part-line';

/**
 * A kind of thing that can happen: what is written down of it, who may, what it hangs on, what it changes, when it is refused, and its
 * sentence. One file each, and a line in the index.
 */
export interface LogKind<
  K extends string,
  P extends Place,
  S extends AnyObjectSchema,
  O,
  W extends readonly Role[] = readonly Role[],
> {
  readonly kind: K;
  readonly on: P;
  /** Who may send it. Nobody: the server writes it when something else happens. */
  readonly who: W;
  readonly facts: S;
  readonly sentence: (facts: InferType<S>, outcome: O, wording: Wording) => Telling;
  /** It stands in no history: it only says what the card begins with. */
  readonly isSilent?: true;
  /** It ends something that was so before. Of one whose time is not known nobody can say what it ends: it is said again. */
  readonly closes?: true;
  readonly card?: CardSide<InferType<S>>;
  readonly finding?: FindingSide<InferType<S>>;
}

/** Checks a kind against its shape and keeps its literals. */
export const logKind = <
  const K extends string,
  const P extends Place,
  S extends AnyObjectSchema,
  O = NoOutcome,
  const W extends readonly Role[] = readonly Role[],
>(
  kind: LogKind<K, P, S, O, W>,
): LogKind<K, P, S, O, W> => kind;

type NoOutcome = Readonly<Record<string, never>>;

export const telling = (title: string, ...lines: readonly (string | null | undefined | false)[]): Telling => ({
  title,
  lines: lines.filter((line): line is string => typeof line === 'string' && line !== ''),
});
