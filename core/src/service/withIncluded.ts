import type { ServiceItem } from '../catalogue/shapes';

type Including = Pick<ServiceItem, 'id' | 'includes'>;

/** Items with all that they include, and what that includes. In: ids, the plan's items. Out: ids, each once. A loop ends where it began. */
export function withIncluded(ids: readonly string[], items: readonly Including[]): string[] {
  const all = new Set<string>();
  const add = (id: string): void => {
    if (all.has(id)) return;
    all.add(id);
    items.find((item) => item.id === id)?.includes.forEach(add);
  };
  ids.forEach(add);
  return [...all];
}

/** What is wrong with a plan: an item that includes itself by way of others, or one that is not in the plan. Out: its id, null where nothing is. */
export function loopIn(items: readonly Including[]): string | null {
  const ids = new Set(items.map(({ id }) => id));
  const bad = items.find(
    ({ id, includes }) => includes.some((one) => !ids.has(one)) || withIncluded(includes, items).includes(id),
  );
  return bad?.id ?? null;
}
