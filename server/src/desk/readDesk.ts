import type { DeskReply } from '@hudrik/core/contracts';
import type { Db } from '../database/tables';

/** How it stands with the desk: when it answered last, what is wrong since, what of its list was not taken, and what is held back. */
export async function readDesk(db: Db): Promise<DeskReply> {
  const state = await db.selectFrom('desk_state').selectAll().executeTakeFirstOrThrow();
  const events = await db
    .selectFrom('desk_event as e')
    .innerJoin('hire as h', 'h.id', 'e.hire_id')
    .select(['e.uid', 'h.reference'])
    .execute();
  const references = new Map(events.map(({ uid, reference }) => [uid, reference]));
  return {
    answeredAt: state.answered_at?.toISOString() ?? null,
    problem: state.problem,
    hires: events.length,
    notTaken: state.not_taken.map(({ line, uid, problem }) => ({
      ...{ line, uid, problem },
      reference: (uid === null ? null : references.get(uid)) ?? null,
    })),
    refused: state.refused,
    bursts: [...state.bursts],
  };
}
