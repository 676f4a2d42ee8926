/** What each task is told. A task may run again after a crash: it must be safe to repeat. */
export interface Payloads {
  readonly 'ask-order': { readonly orderId: string };
  readonly 'ask-quote': { readonly number: string };
  readonly thumbnail: { readonly photoId: string };
  readonly 'clock-end': { readonly clockId: string };
  readonly tick: Readonly<Record<string, never>>;
}

export type TaskName = keyof Payloads;
