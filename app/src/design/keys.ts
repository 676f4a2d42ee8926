import { useEffect } from 'react';

export interface KeyBinding {
  readonly keys: string;
  readonly does: string;
  readonly run: () => void;
}

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

/** Keys for the page, "g y" for a chord. Ignored while somebody types. */
export function useKeys(bindings: readonly KeyBinding[]): void {
  useEffect(() => {
    if (typeof window === 'undefined' || typeof window.addEventListener !== 'function') return;
    let before = '';
    const onKey = (event: KeyboardEvent) => {
      if (typing(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      const chord = before ? `${before} ${event.key}` : event.key;
      const binding =
        bindings.find((entry) => entry.keys === chord) ?? bindings.find((entry) => entry.keys === event.key);
      before = binding ? '' : event.key;
      if (!binding) return;
      event.preventDefault();
      binding.run();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [bindings]);
}
