import type { UnitLine } from '@hudrik/core/contracts';

/** A row of the yard: a class's heading, or the tags that hang side by side. */
export type Row =
  | { readonly kind: 'class'; readonly classId: UnitLine['classId']; readonly count: number }
  | { readonly kind: 'tags'; readonly units: readonly UnitLine[] };

export const keyOfRow = (row: Row): string => (row.kind === 'class' ? row.classId : (row.units[0]?.tag ?? ''));

/** Tags hang in the order in which they are needed; those without a hire after them. */
const byNextHire = (units: readonly UnitLine[]): readonly UnitLine[] =>
  [...units].sort(
    (a, b) => (a.nextHire?.fromAt ?? '9').localeCompare(b.nextHire?.fromAt ?? '9') || a.tag.localeCompare(b.tag),
  );

/** The yard's units as rows: by class, so many tags side by side; one beside the other they hang as they are needed. */
export function rowsOf(units: readonly UnitLine[], sideBySide: number): Row[] {
  const byClass = new Map<UnitLine['classId'], UnitLine[]>();
  for (const unit of units) byClass.set(unit.classId, [...(byClass.get(unit.classId) ?? []), unit]);
  return [...byClass].flatMap(([classId, members]): Row[] => {
    const hung = sideBySide > 1 ? byNextHire(members) : members;
    const rows = Math.ceil(hung.length / sideBySide);
    return [
      { kind: 'class', classId, count: members.length },
      ...Array.from({ length: rows }, (_, at): Row => ({
        kind: 'tags',
        units: hung.slice(at * sideBySide, (at + 1) * sideBySide),
      })),
    ];
  });
}
