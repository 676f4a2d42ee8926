import type { KeyBinding } from './keyBinding';

/** Only a page in a browser has keys. */
export function useKeys(_bindings: readonly KeyBinding[]): void {}
