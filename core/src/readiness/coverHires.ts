export interface BookedHire {
  readonly reference: string;
  readonly classId: string;
  /** The tag promised, or null when any unit of the class will do. */
  readonly tag: string | null;
  readonly fromAt: string;
}

export interface UnitOnYard {
  readonly tag: string;
  readonly classId: string;
  readonly fit: boolean;
}

export type Shortfall<H extends BookedHire = BookedHire> =
  | { readonly code: 'unit-not-fit'; readonly hire: H; readonly nearestFit: string | null }
  | { readonly code: 'class-short'; readonly hire: H };

/**
 * Which booked hires cannot be served by what is fit now.
 * In: hires in any order and the units that are on the yard. Out: shortfalls by start time. A promised unit serves its own
 * hire; a hire of a class takes any fit unit of it that nobody was promised. Each unit serves one hire here: the first.
 * Example: two hires of a class, one fit unit: the later hire is short.
 */
export function coverHires<H extends BookedHire>(hires: readonly H[], units: readonly UnitOnYard[]): Shortfall<H>[] {
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

function shortfall<H extends BookedHire>(hire: H, free: ReadonlyMap<string, UnitOnYard>): Shortfall<H> {
  return hire.tag === null
    ? { code: 'class-short', hire }
    : { code: 'unit-not-fit', hire, nearestFit: nearest(free, hire.classId) };
}

function nearest(free: ReadonlyMap<string, UnitOnYard>, classId: string): string | null {
  for (const unit of free.values()) if (unit.classId === classId) return unit.tag;
  return null;
}
