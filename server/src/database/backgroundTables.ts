import type { RegularTask } from '@hudrik/core/contracts';
import type { Generated, GeneratedAlways } from 'kysely';
import type { Instant, MaybeInstant } from './columns';

/** What is done again and again: by the database's clock, which all processes share. */
interface BackgroundTaskTable {
  name: RegularTask;
  asked_at: MaybeInstant;
  began_at: MaybeInstant;
  well_at: MaybeInstant;
  failing_since: MaybeInstant;
  failures: Generated<number>;
  why: string | null;
}

/** The machine's clock was put on or back. */
interface ClockJumpTable {
  id: GeneratedAlways<number>;
  found_at: Instant;
  seconds: number;
}

/** By the newest migration that it ran: an upgrade, and when what follows from it was reckoned anew. */
interface UpgradeTable {
  to_migration: string;
  version: string;
  /** The file that was written before; null: none. */
  backup: string | null;
  reckoned_at: Instant;
}

export interface BackgroundTables {
  upgrade: UpgradeTable;
  background_task: BackgroundTaskTable;
  clock_jump: ClockJumpTable;
}
