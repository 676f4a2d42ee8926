import type { Thing } from './ledger';

/** Holes of a tray's card. */
const PLACES = 24;

/** The next free hole of a tray; after the last it begins to be shared. Example: places 1 and 2 taken gives 3. */
export function nextPlace(things: readonly Thing[], tray: string): number {
  const taken = new Set(
    things.filter((thing) => thing.tray === tray && thing.state === 'off').map((thing) => thing.place),
  );
  for (let place = 1; place <= PLACES; place++) if (!taken.has(place)) return place;
  return (things.length % PLACES) + 1;
}
