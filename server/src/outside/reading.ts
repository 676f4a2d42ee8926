/** By what clock a text is read. */
export interface Reading {
  /** The yard's. */
  readonly timeZone: string;
  readonly at: Date;
}
