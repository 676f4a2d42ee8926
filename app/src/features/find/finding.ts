import type { FindingRecord } from '@hudrik/core/contracts';
import { machine, object, string, type Frozen } from '@hudrik/core/fields';
import { isOf, type Entry } from '@hudrik/core/log';
import type { InferType } from 'yup';
import { withPending, type EntryItem } from '@/outbox';

export type MachineFacts = FindingRecord['machine'];

/** The finding that this device goes on with. Its machine is what was said of it before the finding was begun. */
export const pointerOf = object({ id: string().required(), machine: machine.optional().default(undefined) });
export type Pointer = Frozen<InferType<typeof pointerOf>>;

/** A finding as it is shown: what the server has, and behind it what was made here and is on its way. */
export interface LocalFinding {
  readonly id: string;
  readonly tag: string | null;
  readonly machine: MachineFacts;
  readonly limits: FindingRecord['limits'];
  readonly entries: readonly Entry[];
  /** Entries that the server has not got. */
  readonly unsent: ReadonlySet<string>;
  /** What the server would not take. */
  readonly refused: readonly EntryItem[];
  readonly closedAt: string | null;
  /** Whose card it leads to. */
  readonly jobId: string | null;
  readonly causes: readonly string[] | null;
  /** The server knows of it, or will. */
  readonly isBegun: boolean;
}

const NO_MACHINE: MachineFacts = { engine: {}, past: {} };

/** The server's record with what is on its way of it. In: the record, or null while the server knows of none; this device's own finding. */
export function findingOf(
  tag: string | null,
  record: FindingRecord | null,
  pointer: Pointer,
  pending: readonly EntryItem[],
): LocalFinding {
  const entries = withPending(record?.entries ?? [], pending);
  const known = new Set(record?.entries.map((entry) => entry.id));
  const ours = entries.filter((entry) => !known.has(entry.id));
  const closing = ours.findLast((entry) => isOf(entry, 'causes-confirmed'));
  return {
    id: record?.id ?? pointer.id,
    tag,
    machine: machineOf(record, ours) ?? pointer.machine ?? NO_MACHINE,
    limits: record?.limits ?? null,
    entries,
    unsent: new Set(pending.filter((item) => item.state === 'waiting').map((item) => item.id)),
    refused: pending.filter((item) => item.state === 'refused'),
    closedAt: record?.closedAt ?? closing?.at ?? null,
    jobId: jobOf(record),
    causes: record?.causes ?? closing?.facts.causes ?? null,
    isBegun: record !== null || ours.some((entry) => entry.kind === 'finding-opened'),
  };
}

const jobOf = (record: FindingRecord | null): string | null => record?.jobId ?? null;

/** The engine as it was described last. */
function machineOf(record: FindingRecord | null, ours: readonly Entry[]): MachineFacts | undefined {
  const described = ours.findLast((entry) => isOf(entry, 'machine-described'));
  const opening = ours.find((entry) => isOf(entry, 'finding-opened'));
  return described?.facts.machine ?? record?.machine ?? opening?.facts.machine;
}
