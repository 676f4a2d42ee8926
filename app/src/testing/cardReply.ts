import type { JobState } from '@hudrik/core/card';
import type { CardReply, LogRecord } from '@hudrik/core/contracts';
import { cardOf, jobStateAfter, type CardKind, type Facts } from '@hudrik/core/log';
import type { Replies, Sent } from './screen';

let count = 0;

/** An entry as the server gives it. For tests. */
export const entryOf = <K extends CardKind>(kind: K, facts: Facts<K>, by = 'Ivo Tarnwell'): LogRecord => ({
  id: `entry-${count++}`,
  at: new Date(Date.now() - 600_000 + count * 1000).toISOString(),
  by,
  sentBy: null,
  kind,
  facts,
  outcome: {},
  jobId: '7',
  corrects: null,
});

export const thingOf = (thingId: string, what: string, place: number): Facts<'taken-off'> => ({
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

export const STEPS = entryOf('steps-listed', {
  edition: 'now',
  from: 'start',
  steps: [
    { stepId: 's1', key: 'make-safe', title: 'Make it safe', caution: 'moving-parts' },
    { stepId: 's2', key: 'repair-x', title: 'Clear the jet' },
  ],
});

type More = Partial<Omit<CardReply, 'job'>> & { readonly job?: Partial<CardReply['job']> };

/** A card as the server gives it. */
export function cardReply(entries: readonly LogRecord[], { job, ...rest }: More = {}): CardReply {
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
      defects: [],
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
    entries,
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
  };
}

export const CARD = 'GET /api/jobs/7/card';
export const LOG = 'POST /api/log';

/** The log's answer to an entry: taken as it was sent. */
export const taken = ({ body }: Sent, outcome: object = {}): { readonly entry: LogRecord } => ({
  entry: {
    id: String(body['id']),
    at: String(body['at'] ?? new Date().toISOString()),
    by: 'Ivo Tarnwell',
    sentBy: null,
    kind: String(body['kind']),
    facts: body['facts'] as LogRecord['facts'],
    outcome: { ...outcome },
    jobId: (body['jobId'] as string | null) ?? null,
    corrects: null,
  },
});

/** A server that takes every entry onto the card that it gives. */
export function taking(entries: readonly LogRecord[], more: More = {}): Replies {
  const all = [...entries];
  let state: JobState = more.job?.state ?? 'open';
  return {
    [CARD]: () => cardReply(all, { ...more, job: { ...more.job, state } }),
    [LOG]: (sent: Sent) => {
      const reply = taken(sent);
      all.push(reply.entry);
      state = jobStateAfter(state, reply.entry, cardOf(all));
      return reply;
    },
  };
}
