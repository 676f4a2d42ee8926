import { readFileSync } from 'node:fs';
import { hostname, networkInterfaces } from 'node:os';
import path from 'node:path';
import { certificateIn, type Certificate } from './authority';

/** How the server is reached: on this machine alone, or by others, and then so that nobody else reads along. */
export type Listening =
  | { readonly how: 'this machine' }
  | { readonly how: 'in the clear' }
  | { readonly how: 'privately'; readonly certificate: Certificate; readonly renew: () => Promise<Certificate> };

export interface Asked {
  readonly host: string;
  /** Where the yard's own authority is kept; null: nowhere. */
  readonly folder: string | null;
  /** The yard's own certificate, by files. */
  readonly certFile: string | undefined;
  readonly keyFile: string | undefined;
  /** More names by which this machine is called. */
  readonly names: readonly string[];
  readonly allowsPlain: boolean;
}

const LOOPBACK = /^(localhost|127\.\d+\.\d+\.\d+|::1)$/;

/** What stands in the way of listening as asked. */
export class NotListening extends Error {}

/** Beyond this machine nothing is listened to in the clear, unless it is asked for by name. */
export async function listeningFor(asked: Asked): Promise<Listening> {
  const { host, folder, certFile, keyFile, allowsPlain } = asked;
  if (certFile !== undefined && keyFile !== undefined) {
    const renew = async (): Promise<Certificate> => ({
      ...{ cert: readFileSync(certFile, 'utf8'), key: readFileSync(keyFile, 'utf8') },
      authority: null,
    });
    return { how: 'privately', certificate: await renew(), renew };
  }
  if (LOOPBACK.test(host)) return { how: 'this machine' };
  if (allowsPlain) return { how: 'in the clear' };
  if (folder === null)
    throw new NotListening(
      `To listen at ${host} a certificate is wanted: set HUDRIK_DATA_FOLDER for one of the yard’s own, or HUDRIK_TLS_CERT and HUDRIK_TLS_KEY. In the clear, which others can read, with HUDRIK_PLAIN_HTTP=yes.`,
    );
  const renew = () => certificateIn(path.join(folder, 'tls'), machineOf(asked), new Date());
  return { how: 'privately', certificate: await renew(), renew };
}

/** What this machine is called, and where it is reached. */
export function machineOf({ names }: Pick<Asked, 'names'>): {
  readonly names: readonly string[];
  readonly addresses: readonly string[];
} {
  const addresses = Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .map(({ address }) => address.replace(/%.*$/, ''))
    .filter((address) => !address.startsWith('fe80'));
  const own = hostname().toLowerCase();
  return { names: [...new Set([...names, own, `${own}.local`, 'localhost'])], addresses: [...new Set(addresses)] };
}
