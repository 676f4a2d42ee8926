import { useHotkeys } from 'react-hotkeys-hook';
import type { KeyBinding } from './keyBinding';

/** "g y", as a person reads it, in the words of the package. */
const wordsOf = (keys: string): string => keys.toLowerCase().replace(' ', '>');

/** Keys for the page, "g y" for one after the other. Ignored while somebody types. */
export function useKeys(bindings: readonly KeyBinding[]): void {
  useHotkeys(
    bindings.map((binding) => wordsOf(binding.keys)),
    (_, { hotkey }) => bindings.find((binding) => wordsOf(binding.keys) === hotkey)?.run(),
    {
      useKey: true,
      // A comma is a key itself.
      delimiter: '|',
      preventDefault: true,
      // "?" is typed with Shift on some keyboards and without it on others; with the others it is the browser's.
      ignoreModifiers: true,
      ignoreEventWhen: (event) => event.ctrlKey || event.metaKey || event.altKey,
    },
  );
}
