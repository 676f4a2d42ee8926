import type { UsualThing } from '../catalogue/shapes';
import type { Ledger } from './ledger';

/**
 * The order of a teardown as a finished card had it.
 * In: what is usual, and the ledger of the card. Out: things in the order in which they came off, with the fasteners counted then; what the
 * card did not take off stands at its end as before; what it took off besides is in. Example: usual A, B, C and off B, A, X give B, A, X, C.
 */
export function learntOrder(usual: readonly UsualThing[], ledger: Ledger): UsualThing[] {
  const byKey = new Map(usual.map((thing) => [thing.key, thing]));
  const seen = new Set<string>();
  const taken = ledger.things.flatMap((thing): UsualThing[] => {
    const key = thing.key ?? thing.what.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-');
    if (seen.has(key)) return [];
    seen.add(key);
    const before = byKey.get(key);
    return [
      {
        ...before,
        key,
        what: thing.what,
        ...(thing.system === undefined ? {} : { system: thing.system }),
        ...(thing.fasteners.length > 0 ? { fasteners: thing.fasteners } : {}),
      },
    ];
  });
  return [...taken, ...usual.filter((thing) => !seen.has(thing.key))];
}
