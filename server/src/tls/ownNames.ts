import { X509Certificate } from 'node:crypto';
import { isIP } from 'node:net';
import { machineOf } from './listening';

/** Addresses change while it runs: they are looked up again for a name that is not known, but no more often. */
const AGAIN_MS = 10_000;

/** The host that a Host header names, without its port; null: it names none. */
function hostIn(header: string | undefined): string | null {
  if (header === undefined || header.length > 300) return null;
  const bracketed = /^\[([0-9a-f:.]{2,45})\](?::\d{1,5})?$/i.exec(header);
  if (bracketed?.[1] !== undefined) return bracketed[1].toLowerCase();
  const [host = '', port, ...more] = header.split(':');
  const isPlain = more.length === 0 && (port === undefined || /^\d{1,5}$/.test(port)) && host !== '';
  return isPlain ? host.toLowerCase().replace(/\.$/, '') : null;
}

const isLoopback = (host: string): boolean => host === '::1' || (isIP(host) === 4 && host.startsWith('127.'));

/** Names and addresses that a certificate is for. */
const namesOfCertificate = (pem: string | undefined): string[] =>
  pem === undefined
    ? []
    : (new X509Certificate(pem).subjectAltName ?? '')
        .split(/,\s*/)
        .map((entry) => entry.replace(/^(DNS|IP Address):/, '').toLowerCase());

/** One of a wildcard's names: of a certificate for all machines of a domain. */
const fits = (host: string, name: string): boolean =>
  name.startsWith('*.')
    ? host.endsWith(name.slice(1)) && !host.slice(0, -name.length + 1).includes('.')
    : host === name;

/**
 * Whether the yard goes by a name: this machine's names and addresses, those that were given, those of its certificate. A page of another site that
 * made its own name lead here comes by that one, and is turned away.
 */
export function ownNames(
  given: readonly string[],
  certificate: string | undefined,
): (header: string | undefined) => boolean {
  const fixed = [...given.map((name) => name.toLowerCase()), ...namesOfCertificate(certificate)];
  let [machine, lookedAt] = [machineOf({ names: given }), Date.now()];
  const isOwn = (host: string): boolean =>
    isLoopback(host) ||
    fixed.some((name) => fits(host, name)) ||
    machine.names.includes(host) ||
    machine.addresses.includes(host);
  return (header) => {
    const host = hostIn(header);
    if (host === null) return false;
    if (isOwn(host)) return true;
    if (Date.now() - lookedAt < AGAIN_MS) return false;
    [machine, lookedAt] = [machineOf({ names: given }), Date.now()];
    return isOwn(host);
  };
}
