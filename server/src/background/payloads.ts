declare global {
  // The background engine looks here for what each task is told.
  namespace GraphileWorker {
    interface Tasks {
      'ask-order': { readonly orderId: string };
      'ask-quote': { readonly number: string };
      thumbnail: { readonly photoId: string };
      'clock-end': { readonly clockId: string };
      'back-up': Readonly<Record<string, never>>;
    }
  }
}

/** What each task that a change leaves is told. A task may run again after a crash: it must be safe to repeat. */
export type Payloads = Readonly<GraphileWorker.Tasks>;
export type TaskName = keyof Payloads;
