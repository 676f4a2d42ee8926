/** Why an action cannot be done: the state in which it stands. */
export interface StateRefusal<S extends string, A extends string> {
  readonly ok: false;
  readonly state: S;
  readonly action: A;
}

/** State × action → state, or a refusal. All that may happen to a thing stands in its table and nowhere else. */
export interface StateTable<S extends string, A extends string> {
  readonly states: readonly S[];
  readonly after: (state: S, action: A) => { readonly ok: true; readonly state: S } | StateRefusal<S, A>;
  /** The states in which an action may be done. */
  readonly from: (action: A) => readonly S[];
  readonly isState: (text: string) => text is S;
}

/** The keys of a record, as its keys. */
const keysOf = <K extends string>(record: Readonly<Record<K, unknown>>): readonly K[] =>
  Object.keys(record).filter((key): key is K => Object.hasOwn(record, key));

/**
 * Makes a table of states. In: by state, what each action that may be done turns it into.
 * Example: `{ open: { close: 'shut' }, shut: {} }`: closing what is shut is refused with `shut`.
 */
export function stateTable<S extends string, A extends string>(
  table: Readonly<Record<S, Readonly<Partial<Record<A, S>>>>>,
): StateTable<S, A> {
  const states = keysOf<S>(table);
  return {
    states,
    after: (state, action) => {
      const next = table[state][action];
      return next === undefined ? { ok: false, state, action } : { ok: true, state: next };
    },
    from: (action) => states.filter((state) => table[state][action] !== undefined),
    isState: (text): text is S => states.some((state) => state === text),
  };
}
