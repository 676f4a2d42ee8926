import type { NewItem } from './item';

/** Something that was made, with the photos that go ahead of it. */
export interface Slipped {
  readonly item: NewItem;
  readonly photos: readonly string[];
}

/** What is written down within the tap, before the device's store has it. */
export interface Slip {
  readonly write: (slipped: Slipped) => void;
  readonly drop: (id: string) => void;
  readonly all: () => readonly Slipped[];
}

/** Kept where writing takes effect at once. Where that is full or forbidden nothing is lost but this: the store follows at once. */
export const slipIn = (
  store: Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'> | null,
  name: string,
): Slip => {
  const keyOf = (id: string): string => `${name}-slip-${id}`;
  const trying = <T>(act: (from: NonNullable<typeof store>) => T, otherwise: T): T => {
    try {
      return store === null ? otherwise : act(store);
    } catch {
      return otherwise;
    }
  };
  return {
    write: (slipped) => trying((to) => to.setItem(keyOf(slipped.item.id), JSON.stringify(slipped)), undefined),
    drop: (id) => trying((from) => from.removeItem(keyOf(id)), undefined),
    all: () =>
      trying((from) => {
        const keys = Array.from({ length: from.length }, (_, at) => from.key(at) ?? '');
        const slips = keys.filter((key) => key.startsWith(keyOf(''))).map((key) => readSlip(from.getItem(key)));
        return slips.filter((slip) => slip !== null).sort((a, b) => a.item.madeAt.localeCompare(b.item.madeAt));
      }, []),
  };
};

function readSlip(text: string | null): Slipped | null {
  try {
    return text === null ? null : (JSON.parse(text) as Slipped);
  } catch {
    return null;
  }
}
