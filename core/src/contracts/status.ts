import type { InferType } from 'yup';
import { array, boolean, instant, number, object, string, type Frozen } from '../fields';

/** What can be wrong with an installation, and who runs it should know. */
export const TROUBLES = [
  'store-away',
  'backup-late',
  'backup-failed',
  'disk-low',
  'queue-stuck',
  'background-still',
  'task-failing',
  'clock-jumped',
  'superuser',
  'no-checksums',
  'not-private',
  'copy-away',
  'copy-behind',
  'copy-log-fills',
  'copy-took-over',
] as const;
export type Trouble = (typeof TROUBLES)[number];
/** What is done in the background again and again, each by itself. */
export const REGULAR_TASKS = [
  'ask-orders',
  'make-thumbnails',
  'clean-up',
  'drop-loose-photos',
  'read-desk',
  'read-equipment',
  'find-stale-fuel',
  'start-backup',
] as const;
export type RegularTask = (typeof REGULAR_TASKS)[number];

const trouble = string<Trouble>().oneOf(TROUBLES);

/** For whoever watches over it: whether it runs, whether it can answer (its records are reached), and what is wrong. */
export const health = object({
  alive: boolean().required(),
  ready: boolean().required(),
  /** Both for who asks on this machine itself. */
  version: string().defined(),
  troubles: array(trouble.required()).required(),
});

/** How this installation stands. */
export const status = object({
  at: instant.required(),
  version: string().required(),
  startedAt: instant.required(),
  troubles: array(trouble.required()).required(),
  database: object({
    version: string().required(),
    bytes: number().required(),
    role: string().required(),
    isSuperuser: boolean().required(),
    hasChecksums: boolean().required(),
    migration: string().required(),
    connections: number().required(),
    records: number().required(),
  }).required(),
  disk: object({ freeBytes: number().required(), totalBytes: number().required() }).nullable().defined(),
  backups: object({
    /** Null: this installation writes none by itself. */
    folder: string().nullable().defined(),
    keep: number().required(),
    last: object({ at: instant.required(), bytes: number().required(), rows: number().required() })
      .nullable()
      .defined(),
    failed: object({ at: instant.required(), why: string().required() }).nullable().defined(),
  }).required(),
  queue: object({
    waiting: number().required(),
    oldestAt: instant.nullable().defined(),
    failing: array(
      object({ task: string().required(), tries: number().required(), why: string().required() }).required(),
    ).required(),
  }).required(),
  /** What is done again and again: when it went well last, and since when it does not. */
  tasks: array(
    object({
      task: string<RegularTask>().oneOf(REGULAR_TASKS).required(),
      wellAt: instant.nullable().defined(),
      failingSince: instant.nullable().defined(),
      failures: number().required(),
      why: string().nullable().defined(),
    }).required(),
  ).required(),
  /** The machine's clock was put on or back of late: when that was found, and by how much (s; below zero: back). Null: it was not. */
  clockJump: object({ foundAt: instant.required(), seconds: number().required() }).nullable().defined(),
  /** What is asked outside: when it last answered, and what was wrong with it. */
  outside: array(
    object({
      name: string().required(),
      answeredAt: instant.nullable().defined(),
      problem: string().nullable().defined(),
    }).required(),
  ).required(),
  /** The hot standby that answers what only reads; null: there is none. */
  copy: object({
    isThere: boolean().required(),
    /** It is written to now: what it was a copy of is away. */
    tookOver: boolean().required(),
    behindBytes: number().nullable().defined(),
    /** How old what it has is, s: nothing while it has all. */
    behindSeconds: number().nullable().defined(),
    /** Of the log of changes, what is kept for it, and the most that is: it is made anew once that is lost. Null: nothing is kept for it. */
    log: object({
      keptBytes: number().required(),
      mostBytes: number().nullable().defined(),
      isLost: boolean().required(),
    })
      .nullable()
      .defined(),
  })
    .nullable()
    .defined(),
  devices: object({
    /** What was entered on them and is not here yet, as they said when they were seen last. */
    waiting: array(
      object({
        name: string().required(),
        count: number().required(),
        /** Since when the oldest of it waits, where the device said so. */
        since: instant.nullable().defined(),
        seenAt: instant.required(),
      }).required(),
    ).required(),
    letIn: number().required(),
    seenToday: number().required(),
    signedIn: number().required(),
  }).required(),
});
export type Status = Frozen<InferType<typeof status>>;
