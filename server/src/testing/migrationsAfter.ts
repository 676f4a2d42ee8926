import { readdir } from 'node:fs/promises';

/** The names of the migrations that come after this one, in their order. */
export async function migrationsAfter(name: string): Promise<string[]> {
  const files = await readdir(new URL('../database/migrations/', import.meta.url));
  return files
    .map((file) => file.replace(/\.ts$/, ''))
    .sort()
    .filter((file) => file > name);
}
