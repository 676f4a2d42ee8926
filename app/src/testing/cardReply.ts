import { stateAfter, type CardEntry, type CardFacts, type CardKind, type JobState } from '@hudrik/core/card';
import type { CardReply } from '@hudrik/core/contracts';
import type { Replies, Sent } from './screen';

let count = 0;

/** An entry as the server gives it. For tests. */
export const entryOf = <K extends CardKind>(kind: K, facts: CardFacts[K], by = 'Ivo Tarnwell'): CardEntry =>
  ({
    id: `entry-${count++}`,
    at: new Date(Date.now() - 600_000 + count * 1000).toISOString(),
    by,
    kind,
    facts,
  }) as CardEntry;

export const thingOf = (thingId: string, what: string, place: number): CardFacts['taken-off'] => ({
  thingId,
  what,
  key: null,
  tray: 'A',
  place,
  fasteners: [],
  orientation: '',
  linkHole: '',
  stack: [],
  quarterTurns: null,
});

export const STEPS = entryOf('steps-laid', {
  edition: 'now',
  from: 'start',
  steps: [
    { stepId: 's1', key: 'make-safe', title: 'Make it safe', caution: 'moving-parts' },
    { stepId: 's2', key: 'repair-x', title: 'Clear the jet' },
  ],
});

/** A card as the server gives it. */
export function cardReply(
  entries: readonly CardEntry[],
  more: Partial<Omit<CardReply, 'job'>> & { readonly job?: Partial<CardReply['job']> } = {},
): CardReply {
  const { job, ...rest } = more;
  return {
    job: {
      id: '7',
      tag: 'GE-07',
      classId: 'generator',
      kind: 'repair',
      work: 'find-fault',
      title: 'Clear the main jet',
      minutes: 20,
      blocks: 'hold',
      state: 'open',
      origins: [],
      why: ['Main jet blocked.'],
      caution: null,
      raisedAt: '2030-03-04T09:00:00Z',
      startedBy: 'Ivo Tarnwell',
      closedAt: null,
      version: 2,
      ...job,
    },
    unit: {
      tag: 'GE-07',
      classId: 'generator',
      modelId: 1,
      model: 'Tuvellan Lantern 5',
      serial: 'S-7',
      trueHours: 596.3,
    },
    entries: [...entries],
    causes: ['main-jet-blocked'],
    complaint: { afterMinutes: null, comesAndGoes: false },
    seen: [],
    machine: { engine: {}, past: {} },
    limits: null,
    learnt: {},
    parts: [],
    comeback: null,
    edition: 'now',
    now: new Date().toISOString(),
    ...rest,
  } as CardReply;
}

export const CARD = 'GET /api/jobs/7/card';
export const ENTRIES = 'POST /api/jobs/7/entries';

/** A server that takes every entry onto the card that it gives. */
export function taking(entries: readonly CardEntry[], more: Parameters<typeof cardReply>[1] = {}): Replies {
  const all = [...entries];
  let state = (more.job?.state ?? 'open') as JobState;
  const reply = () => cardReply(all, { ...more, job: { ...more.job, state } });
  return {
    [CARD]: reply,
    [ENTRIES]: ({ body }: Sent) => {
      all.push({ ...body, by: 'Ivo Tarnwell', at: body['at'] ?? new Date().toISOString() } as never);
      state = stateAfter(state, body as never);
      return reply();
    },
  };
}
