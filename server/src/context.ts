import type { Role } from '@hudrik/core/contracts';
import type { Instruments } from './cards/instruments';
import type { Db } from './database/tables';
import type { Supplier } from './parts/supplier';

/** Who asks. */
export interface Actor {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
}

/** What a use case is given: the database, the time, and the outside behind its interfaces. Nothing else comes in. */
export interface Context {
  readonly db: Db;
  readonly now: () => Date;
  readonly supplier: Supplier;
  readonly instruments: Instruments;
}
