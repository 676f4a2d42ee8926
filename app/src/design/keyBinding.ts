/** A key of the page, or one after the other ("g y"), and what it does. */
export interface KeyBinding {
  readonly keys: string;
  readonly does: string;
  readonly run: () => void;
}
