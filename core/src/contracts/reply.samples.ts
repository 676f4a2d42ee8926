import type { CardKind, Facts } from '../log';
import type { CardReply, Defect, JobLine, LogRecord, Opening } from './index';

/** What the server answers, as tests make it up. */
let count = 0;

/** An entry as the server gives it, of ten minutes ago and later ones after it. */
export const sampleEntry = <K extends CardKind>(
  kind: K,
  facts: Facts<K>,
  by = 'Ivo Tarnwell',
  jobId = '7',
): LogRecord => ({
  id: `entry-${count++}`,
  at: new Date(Date.now() - 600_000 + count * 1000).toISOString(),
  by,
  sentBy: null,
  kind,
  facts,
  outcome: {},
  jobId,
  corrects: null,
});

export const sampleJob = (more: Partial<JobLine> = {}): JobLine => ({
  id: '7',
  tag: 'GE-07',
  classId: 'generator',
  kind: 'repair',
  work: 'find-fault',
  title: 'Clear the main jet',
  minutes: 20,
  blocks: 'hold',
  state: 'waiting',
  visit: { id: '4', state: 'waiting' },
  origins: [],
  why: ['Main jet blocked.'],
  caution: null,
  asksProof: true,
  defects: [],
  raisedAt: '2030-03-04T09:00:00Z',
  startedBy: null,
  closedAt: null,
  version: 2,
  ...more,
});

export type CardMore = Partial<Omit<CardReply, 'job' | 'visit'>> & {
  readonly job?: Partial<JobLine>;
  readonly visit?: Partial<CardReply['visit']>;
};

/** A card at the bench with one job that is begun. */
export function sampleCard(entries: readonly LogRecord[], { job, visit, ...rest }: CardMore = {}): CardReply {
  const state = visit?.state ?? 'open';
  const own = sampleJob({
    state: 'open',
    startedBy: 'Ivo Tarnwell',
    visit: { id: '4', state },
    ...job,
  });
  return {
    visit: { id: '4', state, unproved: false, givenTo: null, ...visit },
    jobs: [own],
    job: own,
    verdict: { readiness: 'held', because: ['On the bench: Clear the main jet.'] },
    defects: [],
    findingId: null,
    needs: ['leak', 'load'],
    ratings: { model: {}, unit: {} },
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

/** What is known of a unit that is fit, at the beginning of a check-in or check-out. */
export const sampleOpening = (more: Partial<Opening> = {}): Opening => ({
  tag: 'GE-07',
  classId: 'generator',
  model: { make: 'Tuvellan', name: 'Lantern 5' },
  verdict: { readiness: 'fit', because: [] },
  basedOn: null,
  fromAfar: null,
  lastReading: 123.4,
  lastReadAt: new Date(Date.now() - 48 * 3_600_000).toISOString(),
  meterOffset: 0,
  hire: null,
  nextHire: null,
  wentOut: null,
  fuel: { litres: 16, holds: 20, seenAt: new Date(Date.now() - 48 * 3_600_000).toISOString(), ranSince: false },
  use: { shape: 40, rate: 10 },
  trueHours: 123.4,
  hoursToOilService: 20,
  nextHireHours: 0,
  workMinutes: 0,
  ratings: { model: {}, unit: {} },
  notFitted: [],
  defects: [],
  asksAgain: [],
  ...more,
});

/** Something wrong with a unit. */
export const sampleDefect = (more: Partial<Defect> = {}): Defect => ({
  id: 'd1',
  origin: { kind: 'check', id: 'sockets', exception: 'damaged' },
  sentence: 'A socket is broken or burnt.',
  weight: 'hold',
  safety: true,
  caution: null,
  closer: 'Closes when the work is signed and the same look is in order.',
  jobId: null,
  causes: [],
  foundAt: '2030-03-04T09:00:00Z',
  by: 'Maren Askild',
  seenAt: '2030-03-04T09:00:00Z',
  looks: ['put-right', 'was-all-right'],
  second: null,
  toldBy: null,
  ...more,
});
