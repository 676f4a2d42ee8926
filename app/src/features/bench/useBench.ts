import type { BenchReply } from '@hudrik/core/contracts';
import { useState } from 'react';
import { useRead } from '@/api';
import { useEntry } from '@/outbox';

/** Where a visit is put. Nobody and never: the plan decides. */
export interface Place {
  readonly to: number | null;
  readonly at: string | null;
}

interface Done {
  readonly visitId: string;
  readonly before: Place;
}

/** The plan of the bench, and the hand that moves what is in it. */
export function useBench() {
  const read = useRead('bench', { refetchInterval: 60_000 });
  const placing = useEntry('placed');
  const [done, setDone] = useState<Done | null>(null);
  const put = (visit: BenchReply['visits'][number], place: Place, isUndo = false) => {
    const before = { to: visit.givenTo === null ? null : Number(visit.givenTo), at: visit.pinnedAt };
    placing.mutate(
      { facts: { ...place, from: before }, on: { jobId: visit.jobId } },
      {
        onSuccess: () => {
          setDone(isUndo ? null : { visitId: visit.id, before });
          void read.refetch();
        },
      },
    );
  };
  const moved = read.data?.visits.find(({ id }) => id === done?.visitId);
  return {
    ...read,
    put,
    isPutting: placing.isPending,
    problem: placing.error,
    /** What was moved last, while it can be put back. */
    moved: moved && done ? { visit: moved, undo: () => put(moved, done.before, true) } : null,
  };
}

export type BenchHandle = ReturnType<typeof useBench>;
