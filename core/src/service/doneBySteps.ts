import type { ServiceItem } from '../catalogue/shapes';
import { withIncluded } from './withIncluded';

type Doable = Pick<ServiceItem, 'id' | 'doneBy' | 'includes'>;

/** The items that are done when these steps are, with what they include. In: keys of steps, the plan's items. Out: ids. */
export function doneBySteps(keys: readonly string[], items: readonly Doable[]): string[] {
  const isDone = ({ id, doneBy = [] }: Doable): boolean => [`do-${id}`, ...doneBy].some((key) => keys.includes(key));
  return withIncluded(
    items.filter(isDone).map(({ id }) => id),
    items,
  );
}

/**
 * Of the items of a visit, those that want a job of their own: what another's job does is left to that. In: items, and what the job of each
 * does. Out: those that do most first. Example: oil, pre-filter and plug want one job, the oil's.
 */
export function itemsWithJobs<Item extends Doable>(
  items: readonly Item[],
  does: (item: Item) => readonly string[],
): Item[] {
  const covered = new Set<string>();
  return [...items]
    .sort((a, b) => does(b).length - does(a).length)
    .filter((item) => {
      if (covered.has(item.id)) return false;
      for (const id of does(item)) covered.add(id);
      return true;
    });
}
