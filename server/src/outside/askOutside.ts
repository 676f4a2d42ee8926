import { lookup as lookUp, type LookupAddress } from 'node:dns';
import ipaddr from 'ipaddr.js';
import { Agent, fetch, type RequestInit, type Response } from 'undici';

/** What may be asked outside, and how much of an answer is taken. */
export interface Bounds {
  /** Hosts that may lie at an address of this machine or of the yard’s own network; all others must be out in the world. */
  readonly privateHosts: readonly string[];
  /** From the first byte sent to the last one read. */
  readonly timeoutMs: number;
  readonly mostBytes: number;
}

/** What came back, read to its end. */
export interface Answer {
  readonly status: number;
  /** As the answer says it; empty where it says nothing. */
  readonly type: string;
  readonly bytes: Uint8Array;
}

/** Why nothing of an answer is taken. */
export type OutsideProblem = 'away' | 'slow' | 'too-long' | 'leads-elsewhere' | 'private-address';

export class NotAnswered extends Error {
  constructor(readonly problem: OutsideProblem) {
    super(problem);
  }
}

/** An address that leads on leads on to its own host, and not for ever. */
const MOST_LEADS = 3;
const LEADS_ON = [301, 302, 303, 307, 308];

/** The answer of what is outside, to its end, within bounds. Throws NotAnswered. */
export async function askOutside(url: string, bounds: Bounds, init: RequestInit = {}): Promise<Answer> {
  const signal = AbortSignal.timeout(bounds.timeoutMs);
  const dispatcher = agentOf(bounds.privateHosts);
  try {
    const response = await follow(new URL(url), bounds, { ...init, signal, dispatcher });
    return {
      status: response.status,
      type: response.headers.get('content-type') ?? '',
      bytes: await bytesOf(response, bounds.mostBytes),
    };
  } catch (error) {
    throw error instanceof NotAnswered ? error : new NotAnswered(problemOf(error));
  } finally {
    await dispatcher.destroy();
  }
}

async function follow(url: URL, bounds: Bounds, init: RequestInit, leads = 0): Promise<Response> {
  mustBeOutside(url, bounds.privateHosts);
  const response = await fetch(url, { ...init, redirect: 'manual' });
  const to = response.headers.get('location');
  if (!LEADS_ON.includes(response.status) || to === null) return response;
  await response.body?.cancel();
  const next = new URL(to, url);
  const isSameHost = next.hostname === url.hostname && (next.protocol === url.protocol || next.protocol === 'https:');
  if (!isSameHost || leads >= MOST_LEADS) throw new NotAnswered('leads-elsewhere');
  return follow(next, bounds, init, leads + 1);
}

async function bytesOf(response: Response, most: number): Promise<Uint8Array> {
  const chunks: Uint8Array[] = [];
  let length = 0;
  for await (const chunk of response.body ?? []) {
    length += chunk.byteLength;
    if (length > most) throw new NotAnswered('too-long');
    chunks.push(chunk);
  }
  return new Uint8Array(Buffer.concat(chunks));
}

function problemOf(error: unknown): OutsideProblem {
  for (let at: unknown = error; at instanceof Error; at = at.cause) {
    if (at instanceof NotAnswered) return at.problem;
    if (at.name === 'TimeoutError') return 'slow';
  }
  return 'away';
}

/** Where a name leads is looked at when it is looked up, so that it cannot lead elsewhere a moment later. */
const agentOf = (privateHosts: readonly string[]): Agent =>
  new Agent({
    connect: {
      lookup: (host, options, done) => {
        lookUp(host, { ...options, all: true }, (error, found) => {
          const wrong = error ?? problemWith(host, found, privateHosts);
          if (wrong) done(wrong, []);
          else if (options.all) done(null, found);
          else done(null, found[0]?.address ?? '', found[0]?.family);
        });
      },
    },
  });

const problemWith = (host: string, found: readonly LookupAddress[], privateHosts: readonly string[]) =>
  privateHosts.includes(host) || found.every(({ address }) => isPublic(address))
    ? null
    : new NotAnswered('private-address');

/** An address that stands in the URL itself is looked up by nobody. */
function mustBeOutside({ hostname }: URL, privateHosts: readonly string[]): void {
  const host = hostname.replace(/^\[|\]$/g, '');
  if (ipaddr.isValid(host) && !privateHosts.includes(host) && !isPublic(host)) throw new NotAnswered('private-address');
}

/** Not of this machine, of a network of its own, nor of any other use than the world’s: by the registries of special addresses (RFC 6890). */
export const isPublic = (address: string): boolean => ipaddr.process(address).range() === 'unicast';
