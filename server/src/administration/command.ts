import type pg from 'pg';
import type { Db } from '../database/tables';

export type Print = (line: string) => void;

export interface Command {
  readonly usage: string;
  readonly does: string;
  /** Out: the exit code. */
  readonly run: (db: Db, args: readonly string[], print: Print, pool: pg.Pool) => Promise<number>;
}

/** Thrown when a command is called in a way that it cannot be. */
export class Misuse extends Error {}
