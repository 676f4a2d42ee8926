import { createWriteStream } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { openPromise, type Entry } from 'yauzl';
import { ZipFile } from 'yazl';

/** Writes a zip. It has its name once all of it is there. */
export async function writeZip(file: string, fill: (zip: ZipFile) => Promise<void>): Promise<void> {
  const part = `${file}.part`;
  try {
    const zip = new ZipFile();
    const written = pipeline(zip.outputStream, createWriteStream(part, { mode: 0o600 }));
    await Promise.race([fill(zip), written]);
    zip.end();
    await written;
    await rename(part, file);
  } finally {
    await rm(part, { force: true });
  }
}

export interface OpenZip {
  readonly has: (name: string) => boolean;
  /** What stands under a name; without it an error. */
  readonly open: (name: string) => Promise<Readable>;
  readonly read: (name: string) => Promise<Buffer>;
  readonly close: () => void;
}

export async function openZip(file: string): Promise<OpenZip> {
  const zip = await openPromise(file, { autoClose: false });
  const entries = new Map<string, Entry>();
  for await (const entry of zip.eachEntry()) entries.set(entry.fileName, entry);
  const open = async (name: string): Promise<Readable> => {
    const entry = entries.get(name);
    if (entry === undefined) throw new Error(`There is no ${name} in it`);
    return zip.openReadStreamPromise(entry);
  };
  return {
    has: (name) => entries.has(name),
    open,
    read: async (name) => bytesOf(await open(name)),
    close: () => zip.close(),
  };
}

async function bytesOf(stream: Readable): Promise<Buffer> {
  const chunks: Buffer[] = [];
  for await (const chunk of stream) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks);
}
