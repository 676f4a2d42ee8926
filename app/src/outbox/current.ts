import { sayUnsent } from '@/api';
import { deliver } from './deliver';
import { importOld } from './importOld';
import { Outbox } from './Outbox';

const NAME = 'hudrik-outbox';
const LEASE = { beatMs: 2000, expiresMs: 7000 };

let current: Outbox | null = null;

/** The outbox of this device. */
export function outbox(): Outbox {
  if (current === null) {
    current = new Outbox({ name: NAME, deliver, locks: globalThis.navigator?.locks ?? null, lease: LEASE });
    void importOld((item, ahead) => outbox().keep(item, async () => ahead));
    const box = current;
    box.subscribe(() => sayUnsent(box.shown().items.filter(({ state }) => state === 'waiting').length));
    for (const event of ['online', 'focus']) globalThis.addEventListener?.(event, () => current?.tryNow());
    globalThis.addEventListener?.('beforeunload', (event) => {
      // What only this page has would be lost.
      if (current?.shown().items.some((item) => !item.isKept && item.state !== 'sent')) event.preventDefault();
    });
  }
  return current;
}

/** Lets go of it: the next who asks gets another. For tests. */
export async function closeOutbox(): Promise<void> {
  const open = current;
  current = null;
  await open?.stop();
}
