export interface BookedHire {
  readonly reference: string;
  readonly classId: string;
  /** The tag promised, or null when any unit of the class will do. */
  readonly tag: string | null;
  readonly fromAt: string;
}

export interface StandingUnit {
  readonly tag: string;
  readonly classId: string;
  readonly fit: boolean;
}

export type Shortfall =
  | { readonly code: 'unit-not-fit'; readonly hire: BookedHire; readonly nearestFit: string | null }
  | { readonly code: 'class-short'; readonly hire: BookedHire };

/**
 * Which booked hires can not be served by what is fit now.
 * In: hires in any order and the units that stand on the yard. Out: shortfalls by start time. A promised unit serves its own
 * hire; a hire of a class takes any fit unit of it that nobody was promised. Each unit serves one hire here: the first.
 * Example: two hires of a class, one fit unit: the later hire is short.
 */
export function coverHires(hires: readonly BookedHire[], units: readonly StandingUnit[]): Shortfall[] {
  const free = new Map(units.filter((unit) => unit.fit).map((unit) => [unit.tag, unit]));
  const inOrder = [...hires].sort((a, b) => a.fromAt.localeCompare(b.fromAt));
  const unserved = new Set<BookedHire>();
  for (const hire of inOrder) if (hire.tag !== null && !free.delete(hire.tag)) unserved.add(hire);
  for (const hire of inOrder) {
    if (hire.tag !== null) continue;
    const any = nearest(free, hire.classId);
    if (any === null) unserved.add(hire);
    else free.delete(any);
  }
  return inOrder.filter((hire) => unserved.has(hire)).map((hire) => shortfall(hire, free));
}

function shortfall(hire: BookedHire, free: ReadonlyMap<string, StandingUnit>): Shortfall {
  return hire.tag === null
    ? { code: 'class-short', hire }
    : { code: 'unit-not-fit', hire, nearestFit: nearest(free, hire.classId) };
}

function nearest(free: ReadonlyMap<string, StandingUnit>, classId: string): string | null {
  for (const unit of free.values()) if (unit.classId === classId) return unit.tag;
  return null;
}
