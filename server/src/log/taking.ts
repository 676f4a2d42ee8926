import type { Facts, KindId, Timing } from '@hudrik/core/log';
import type { Actor, Context } from '../context';
import type { UnitRow } from '../database/tables';
import type { UnitChange } from './changeUnit';

/** What an entry hangs on, as it was sent. */
interface SentPlace {
  readonly jobId: string | null;
  readonly findingId: string | null;
  readonly lineId: string | null;
}

interface Taken {
  /** When it counts from, where that is not when it happened. */
  readonly at?: Date;
  readonly outcome?: Readonly<Record<string, unknown>>;
  readonly jobId?: number | null;
  readonly findingId?: string | null;
  readonly correctsId?: string | null;
}

/** An entry on its way into the log: its unit is locked, its facts are checked, its maker may. */
export interface Taking<K extends KindId, U extends UnitRow | null = UnitRow> {
  readonly context: Context;
  readonly change: Omit<UnitChange, 'unit' | 'actor'> & { readonly unit: U };
  /** Who made it. */
  readonly actor: Actor;
  readonly id: string;
  readonly kind: K;
  /** When it happened, never later than it arrived. */
  readonly at: Date;
  /** How far that is known: what is not, closes nothing. */
  readonly timing: Timing;
  readonly facts: Facts<K>;
  readonly place: SentPlace;
  /** Writes the entry with what came of it. Called once by whoever takes it, before anything else is appended. */
  readonly record: (taken: Taken) => Promise<void>;
}

export type Taker<K extends KindId, U extends UnitRow | null = UnitRow> = (taking: Taking<K, U>) => Promise<void>;
