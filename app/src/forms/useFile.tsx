import { useRef, type ReactElement } from 'react';

interface Asked {
  /** What the dialog offers, as the browser's own attribute has it. */
  readonly accept: string;
  readonly label: string;
  readonly onFile: (file: File) => void;
  /** By the camera that looks away from whoever holds the phone. */
  readonly fromCamera?: boolean;
}

/** Lets somebody choose a file of the device; the same one may be chosen again. Out: what opens the choice, and what must stand on the screen for it. */
export function useFile({ accept, label, onFile, fromCamera = false }: Asked): {
  readonly choose: () => void;
  readonly input: ReactElement;
} {
  const file = useRef<HTMLInputElement>(null);
  const input = (
    <input
      ref={file}
      type="file"
      accept={accept}
      aria-label={label}
      style={{ display: 'none' }}
      {...(fromCamera ? { capture: 'environment' as const } : {})}
      onChange={({ target }) => {
        const chosen = target.files?.[0];
        if (chosen) onFile(chosen);
        target.value = '';
      }}
    />
  );
  return { choose: () => file.current?.click(), input };
}
