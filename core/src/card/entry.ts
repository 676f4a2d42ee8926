import type { Mark, OffFacts } from '../teardown';

/** What happens on a job's card, by kind, with its facts. A card is a row of these; nothing of it is ever overwritten. */
export interface CardFacts {
  /** Laid by the template, or by the causes confirmed. Made by the server only. */
  readonly 'steps-laid': { readonly edition: string; readonly from: string; readonly steps: readonly LaidStep[] };
  readonly 'step-added': { readonly stepId: string; readonly title: string };
  /** `was`: what stood there when the person began to write. */
  readonly 'step-changed': { readonly stepId: string; readonly title: string; readonly was: string };
  readonly 'step-done': { readonly stepId: string };
  readonly 'step-undone': { readonly stepId: string };
  readonly 'step-dropped': { readonly stepId: string; readonly why: string };
  readonly 'hands-on': Empty;
  readonly 'hands-off': Empty;
  readonly note: { readonly text: string; readonly stepId: string | null };
  readonly photo: {
    readonly photoId: string;
    readonly marks: readonly Mark[];
    readonly stepId: string | null;
    readonly thingId: string | null;
  };
  readonly marked: { readonly photoId: string; readonly marks: readonly Mark[] };
  readonly 'teardown-begun': { readonly teardown: string };
  readonly 'taken-off': ThingFacts;
  readonly 'thing-changed': ThingFacts;
  readonly 'put-back': { readonly thingId: string };
  readonly 'off-again': { readonly thingId: string };
  readonly replaced: { readonly thingId: string; readonly part: string; readonly forTrial: boolean };
  readonly struck: { readonly thingId: string; readonly why: string };
  readonly reading: {
    readonly reading: string;
    readonly given: Readonly<Record<string, unknown>>;
    readonly outcome: string;
    readonly when: 'before' | 'after';
    readonly stepId: string | null;
  };
  readonly 'trial-start': { readonly how: 'ran' | 'ran-badly' | 'did-not-start'; readonly note: string };
  readonly waits: { readonly for: 'clock' | 'part' | 'decision'; readonly why: string };
  readonly 'goes-on': { readonly why: string };
  readonly 'clock-started': {
    readonly clockId: string;
    readonly clock: string;
    readonly minutes: number;
    readonly stepId: string | null;
  };
  readonly 'clock-ended': { readonly clockId: string; readonly result: string; readonly note: string };
  readonly decided: { readonly way: string; readonly why: string; readonly figures: Readonly<Record<string, unknown>> };
  readonly 'to-proof': Empty;
  readonly 'back-to-bench': { readonly why: string };
  readonly 'leak-look': { readonly dry: boolean; readonly note: string };
  readonly 'proof-load': { readonly load: string | null };
  readonly smoke: { readonly clear: boolean };
  readonly 'run-started': Empty;
  readonly 'run-stopped': { readonly why: string };
  readonly 'proof-reading': { readonly reading: string; readonly value: number; readonly live: boolean };
  readonly 'proof-look': { readonly look: string; readonly ok: boolean };
  readonly proved: { readonly passed: boolean; readonly note: string };
}

type Empty = Readonly<Record<string, never>>;

export interface LaidStep {
  readonly stepId: string;
  /** Of its template; the same in every edition. */
  readonly key: string;
  readonly title: string;
  readonly caution?: string | undefined;
  readonly clock?: string | undefined;
  readonly reading?: string | undefined;
  readonly teardown?: string | undefined;
}

/** What is written down of a thing as it comes off. */
export type ThingFacts = OffFacts;

export type CardKind = keyof CardFacts;
export type CardEntryOf<K extends CardKind> = {
  readonly id: string;
  readonly at: string;
  readonly by: string | null;
  readonly kind: K;
  readonly facts: CardFacts[K];
};
export type CardEntry = { [K in CardKind]: CardEntryOf<K> }[CardKind];
export type NewCardEntry = {
  [K in CardKind]: {
    readonly id: string;
    readonly at?: string | undefined;
    readonly kind: K;
    readonly facts: CardFacts[K];
  };
}[CardKind];
