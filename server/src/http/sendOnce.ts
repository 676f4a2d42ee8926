import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import type { Response } from 'express';

const packed = promisify(gzip);

/** Smaller ones are not worth packing. */
const WORTH_PACKING = 1024;

interface Written {
  readonly plain: Buffer;
  /** Once somebody wanted it packed. */
  zipped?: Promise<Buffer>;
}

const written = new WeakMap<object, Written>();

function writeOut(body: object): Written {
  const known = written.get(body);
  if (known !== undefined) return known;
  const fresh: Written = { plain: Buffer.from(JSON.stringify(body)) };
  written.set(body, fresh);
  return fresh;
}

/** Answers with what many are answered alike: it is written out once, and packed once, for all of them. */
export async function sendOnce(response: Response, status: number, body: object): Promise<void> {
  const text = writeOut(body);
  response.status(status).type('application/json');
  response.vary('Accept-Encoding');
  if (text.plain.length < WORTH_PACKING || response.req.acceptsEncodings('gzip') !== 'gzip')
    return void response.send(text.plain);
  text.zipped ??= packed(text.plain);
  const zipped = await text.zipped;
  if (response.headersSent) return;
  response.setHeader('Content-Encoding', 'gzip');
  response.send(zipped);
}
