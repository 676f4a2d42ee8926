import { parse } from 'content-type';
import type { FeedBody } from './feed';

/** What cannot be the thing that was asked for, by what it says of itself. */
const isOtherThing = (type: string): boolean =>
  /^(image|audio|video|font)\/|^text\/html$|^application\/(pdf|zip|json)$/.test(type);

export type Decoded =
  | { readonly ok: true; readonly text: string }
  | { readonly ok: false; readonly problem: 'other-type' | 'unknown-charset' };

/**
 * The text of a feed’s answer. How it is written is said by its byte order mark, else by its header, else by the XML declaration; where nothing
 * says it, it is UTF-8 if it can be, else Latin-1 (as Windows-1252, which the web takes for it: WHATWG Encoding Standard).
 */
export function textOf({ bytes, type }: FeedBody): Decoded {
  const said = headerOf(type);
  if (isOtherThing(said.type)) return { ok: false, problem: 'other-type' };
  const charset = markOf(bytes) ?? said.charset ?? declaredIn(bytes);
  if (charset === null) return { ok: true, text: guess(bytes) };
  try {
    return { ok: true, text: new TextDecoder(charset).decode(bytes) };
  } catch {
    return { ok: false, problem: 'unknown-charset' };
  }
}

function headerOf(type: string): { readonly type: string; readonly charset: string | null } {
  try {
    const { type: name, parameters } = parse(type);
    return { type: name.toLowerCase(), charset: parameters['charset'] ?? null };
  } catch {
    return { type: '', charset: null };
  }
}

const MARKS: readonly (readonly [string, readonly number[]])[] = [
  ['utf-8', [0xef, 0xbb, 0xbf]],
  ['utf-16le', [0xff, 0xfe]],
  ['utf-16be', [0xfe, 0xff]],
];

const markOf = (bytes: Uint8Array): string | null =>
  MARKS.find(([, mark]) => mark.every((byte, at) => bytes[at] === byte))?.[0] ?? null;

const declaredIn = (bytes: Uint8Array): string | null =>
  /^\s*<\?xml[^>]{0,200}?\sencoding=["']([\w.:-]{1,40})["']/.exec(
    Buffer.from(bytes.subarray(0, 300)).toString('latin1'),
  )?.[1] ?? null;

function guess(bytes: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/** Signs that no list of hires or machines has: NUL and its like, halves of signs, and what stands where bytes made none. */
export const hasOddSigns = (text: string): boolean => /[^\P{Cc}\t\r\n]|\ufffd|\p{Surrogate}/u.test(text);
