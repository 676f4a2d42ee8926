import type { VisitState } from '@hudrik/core/card';
import type { LogRecord } from '@hudrik/core/contracts';
import { sampleCard, sampleEntry, type CardMore } from '@hudrik/core/contracts/samples';
import { cardOf, visitStateAfter, type Facts } from '@hudrik/core/log';
import type { Replies, Sent } from './screen';

export { sampleCard as cardReply, sampleEntry as entryOf } from '@hudrik/core/contracts/samples';

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

export const STEPS = sampleEntry('steps-listed', {
  edition: 'now',
  from: 'start',
  steps: [
    { stepId: 's1', key: 'make-safe', title: 'Make it safe', caution: 'moving-parts' },
    { stepId: 's2', key: 'repair-x', title: 'Clear the jet' },
  ],
});

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
export function taking(entries: readonly LogRecord[], more: CardMore = {}): Replies {
  const all = [...entries];
  let state: VisitState = more.visit?.state ?? 'open';
  return {
    [CARD]: () =>
      sampleCard(all, {
        ...more,
        visit: { ...more.visit, state },
        job: { ...more.job, ...(state === 'ended' ? { state: 'done' } : {}) },
      }),
    [LOG]: (sent: Sent) => {
      const reply = taken(sent);
      all.push(reply.entry);
      state = visitStateAfter(state, reply.entry, cardOf(all));
      return reply;
    },
  };
}
