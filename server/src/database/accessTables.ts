import type { Generated, GeneratedAlways } from 'kysely';
import type { Instant, MaybeInstant } from './columns';

interface SessionTable {
  token_hash: Buffer;
  id: GeneratedAlways<number>;
  person_id: number;
  device_id: number;
  created_at: Generated<Date>;
  seen_at: Instant;
  expires_at: Instant;
}

/** A phone or PC that was let in: by its key, of which only the hash is kept. */
interface DeviceTable {
  id: GeneratedAlways<number>;
  name: string;
  key_hash: Buffer;
  let_in_at: Instant;
  let_in_by: number | null;
  seen_at: Instant;
  /** Entered on it and not here yet, as it said when it was seen last. */
  waiting: Generated<number>;
  /** Since when the oldest of it waits there. */
  waiting_since: MaybeInstant;
  put_out_at: MaybeInstant;
}

interface DeviceCodeTable {
  code_hash: Buffer;
  made_by: number | null;
  expires_at: Instant;
  used_at: MaybeInstant;
}

/** How often in a row somebody’s PIN was got wrong on a device. */
interface PinTryTable {
  person_id: number;
  device_id: number;
  wrong: Generated<number>;
  last_at: Instant;
}

interface WrongPinTable {
  id: GeneratedAlways<number>;
  person_id: number;
  device_id: number;
  at: Instant;
  told_at: MaybeInstant;
}

/** The records were written away, or could not be. */
interface BackupTable {
  id: GeneratedAlways<number>;
  began_at: Instant;
  ended_at: MaybeInstant;
  file: string;
  bytes: number | null;
  rows: number | null;
  why_not: string | null;
}

export interface AccessTables {
  backup: BackupTable;
  session: SessionTable;
  device: DeviceTable;
  device_code: DeviceCodeTable;
  pin_try: PinTryTable;
  wrong_pin: WrongPinTable;
}
