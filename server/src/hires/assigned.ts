import type { Db } from '../database/tables';

/** The next hire that waits for a unit, and when it is out. */
export interface Promised {
  readonly unitId: number;
  readonly reference: string;
  readonly fromAt: Date;
  readonly toAt: Date;
  /** The unit itself is booked; else it is the one that a booking of its class is given. */
  readonly isOwn: boolean;
  readonly spans: readonly (readonly [from: Date, to: Date])[];
}

/** By unit: its hires that are not over, and the next of them. */
export async function readAssigned(db: Db, at: Date): Promise<Promised[]> {
  const rows = await db
    .selectFrom('hire')
    .select(['unit_id', 'reference', 'from_at', 'to_at', 'state'])
    .where('unit_id', 'is not', null)
    .where('state', 'in', ['booked', 'out'])
    .where((eb) => eb.or([eb('state', '=', 'out'), eb('to_at', '>', at)]))
    .orderBy('from_at')
    .execute();
  const units = [...new Set(rows.map((row) => row.unit_id))];
  return units.flatMap((unitId): Promised[] => {
    const own = rows.filter((row) => row.unit_id === unitId);
    const next = own.find((row) => row.state === 'booked') ?? own[0];
    if (next === undefined || unitId === null) return [];
    return [
      {
        unitId,
        reference: next.reference,
        fromAt: next.from_at,
        toAt: next.to_at,
        isOwn: true,
        spans: own.map((row) => [row.from_at, row.to_at] as const),
      },
    ];
  });
}
