/** The same, all the way down, and nothing in it is changed. */
export type Frozen<T> = T extends object ? { readonly [K in keyof T]: Frozen<T[K]> } : T;
