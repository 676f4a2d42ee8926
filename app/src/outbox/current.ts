import { sayUnsent } from '@/api';
import { deliver } from './deliver';
import { dropDraftPhoto, readDraftPhoto } from './draftPhotos';
import { importOld } from './importOld';
import { Outbox } from './Outbox';
import { slipIn } from './slip';

const NAME = 'hudrik-outbox';
const LEASE = { beatMs: 2000, expiresMs: 7000 };

let current: Outbox | null = null;

/** The outbox of this device. */
export function outbox(): Outbox {
  if (current === null) {
    current = new Outbox({
      ...{ name: NAME, deliver, locks: globalThis.navigator?.locks ?? null, lease: LEASE },
      photos: { read: readDraftPhoto, drop: dropDraftPhoto },
      slip: slipIn(localStorageHere(), NAME),
    });
    void importOld((item, photos) => outbox().keep(item, photos));
    const box = current;
    box.subscribe(() => {
      const waiting = box.shown().items.filter(({ state }) => state === 'waiting');
      // The first was entered first.
      sayUnsent(waiting.length, waiting[0]?.madeAt ?? null);
    });
    for (const event of ['online', 'focus']) globalThis.addEventListener?.(event, () => current?.tryNow());
    globalThis.addEventListener?.('beforeunload', (event) => {
      // What only this page has would be lost.
      if (current?.shown().items.some((item) => !item.isKept && item.state !== 'sent')) event.preventDefault();
    });
  }
  return current;
}

/** Reading the name alone may throw where it is forbidden. */
function localStorageHere(): Storage | null {
  try {
    return globalThis.localStorage ?? null;
  } catch {
    return null;
  }
}

/** Lets go of it: the next who asks gets another. For tests. */
export async function closeOutbox(): Promise<void> {
  const open = current;
  current = null;
  await open?.stop();
}
