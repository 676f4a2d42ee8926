import { readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';

/** Its file, in the data folder of an installation; null: it has none. */
export const lineageFileIn = ({ HUDRIK_DATA_FOLDER: folder }: NodeJS.ProcessEnv): string | null =>
  folder ? path.join(folder, 'written-to.json') : null;

/** Of a server's records: from which beginning they are, and how often one that copied them has taken over since. */
export interface Line {
  /** PostgreSQL's system identifier: made once, and copied with the records. */
  readonly system: string;
  readonly timeline: number;
}

/** The newest line of the records that was written to, which no other may replace by itself. */
export interface Lineage {
  /** Null: none was written to yet. */
  readonly newest: () => Line | null;
  /** Keeps one that follows the newest. */
  readonly follow: (line: Line) => void;
  /** Keeps one by hand, whatever was before. */
  readonly accept: (line: Line) => void;
}

/** Whether records may be written to after others: the same ones, at their time or later. */
export const follows = ({ system, timeline }: Line, newest: Line | null): boolean =>
  newest === null || (system === newest.system && timeline >= newest.timeline);

/** Kept in a file, for whoever is started later and for every process beside this one; null: in this process alone. */
export function lineageIn(file: string | null): Lineage {
  let own: Line | null = null;
  const newest = (): Line | null => {
    // Another process saw a later one, or somebody accepted another by hand: what is kept goes before what is remembered.
    own = (file === null ? null : readLine(file)) ?? own;
    return own;
  };
  const accept = (line: Line): void => {
    own = line;
    if (file === null) return;
    writeFileSync(`${file}.new`, `${JSON.stringify(line)}\n`);
    renameSync(`${file}.new`, file);
  };
  return {
    newest,
    accept,
    follow: (line) => {
      const before = newest();
      const isNew = before === null || before.system !== line.system || before.timeline !== line.timeline;
      if (isNew && follows(line, before)) accept(line);
    },
  };
}

function readLine(file: string): Line | null {
  try {
    const { system, timeline }: Partial<Line> = JSON.parse(readFileSync(file, 'utf8')) as object;
    return typeof system === 'string' && typeof timeline === 'number' ? { system, timeline } : null;
  } catch (error) {
    if (error instanceof Error && 'code' in error && error.code === 'ENOENT') return null;
    throw error;
  }
}
