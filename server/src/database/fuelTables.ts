import type { ClassId, FuelId, LayUpMethodId } from '@hudrik/core/catalogue';
import type { GeneratedAlways } from 'kysely';
import type { Instant, MaybeInstant } from './columns';

interface FuelCanTable {
  id: string;
  name: string;
  fuel: FuelId;
  litres_max: number;
  place: string;
  bought_at: Instant;
  opened_at: MaybeInstant;
  treated_at: MaybeInstant;
  made_at: Instant;
}

interface FuelMoveTable {
  id: GeneratedAlways<number>;
  can_id: string;
  change: number;
  why: 'bought' | 'poured' | 'drained-into' | 'counted' | 'disposed';
  unit_id: number | null;
  entry_id: string | null;
  person_id: number | null;
  at: Instant;
}

/** A stretch of the year in which a class stands, as MM-DD. */
interface SeasonTable {
  class_id: ClassId;
  from_day: string;
  to_day: string;
  call_odds: number;
}

/** A unit that was laid up, and how it woke; one of a unit is not woken at a time. */
interface LayUpTable {
  id: GeneratedAlways<number>;
  unit_id: number;
  method: LayUpMethodId;
  had_ethanol: boolean;
  laid_up_at: Instant;
  entry_id: string;
  woken_at: MaybeInstant;
  pulls: number | null;
  /** It wanted a fuel repair. */
  failed: boolean | null;
}

/** The method that a lead says for a unit, whatever the sum says. */
interface LayUpChoiceTable {
  unit_id: number;
  method: LayUpMethodId;
  reason: string;
  person_id: number | null;
  at: Instant;
}

export interface FuelTables {
  fuel_can: FuelCanTable;
  fuel_move: FuelMoveTable;
  season: SeasonTable;
  lay_up: LayUpTable;
  lay_up_choice: LayUpChoiceTable;
}
