import type { Role } from '@hudrik/core/contracts';
import type { Db } from './database/tables';

/** Who asks. */
export interface Actor {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
}

/** What a use case is given: the database and the time. Nothing else comes from outside. */
export interface Context {
  readonly db: Db;
  readonly now: () => Date;
}
