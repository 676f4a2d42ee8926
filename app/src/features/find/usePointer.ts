import { useCallback, useEffect, useState } from 'react';
import { kv, readKept } from '@/api';
import { pointerOf, type Pointer } from './finding';

const keyOf = (tag: string | null): string => `hudrik-finding-${tag ?? 'by-itself'}`;

/** Which finding this device goes on with. Undefined until it was looked up; null: none yet. */
export function usePointer(tag: string | null): readonly [Pointer | null | undefined, (next: Pointer) => void] {
  const [known, setKnown] = useState<{ readonly tag: string | null; readonly pointer: Pointer | null }>();
  useEffect(() => {
    let left = false;
    void readKept(keyOf(tag), pointerOf).then(
      (pointer) => void (left || setKnown({ tag, pointer })),
      () => void (left || setKnown({ tag, pointer: null })),
    );
    return () => {
      left = true;
    };
  }, [tag]);
  const change = useCallback(
    (pointer: Pointer) => {
      setKnown({ tag, pointer });
      void kv.setItem(keyOf(tag), JSON.stringify(pointer));
    },
    [tag],
  );
  return [known?.tag === tag ? known.pointer : undefined, change];
}
