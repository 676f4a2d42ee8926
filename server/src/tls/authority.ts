import 'reflect-metadata';
import { createHash, createPrivateKey, webcrypto, X509Certificate as NodeCertificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import path from 'node:path';
import {
  AuthorityKeyIdentifierExtension,
  BasicConstraintsExtension,
  cryptoProvider,
  ExtendedKeyUsage,
  ExtendedKeyUsageExtension,
  KeyUsageFlags,
  KeyUsagesExtension,
  PemConverter,
  SubjectAlternativeNameExtension,
  SubjectKeyIdentifierExtension,
  X509CertificateGenerator,
  type JsonGeneralName,
} from '@peculiar/x509';

// What the package calls a crypto provider is the one that Node has.
cryptoProvider.set(webcrypto as Crypto);

const DAY_MS = 86_400_000;
const AUTHORITY_DAYS = 3650;
/** The longest that browsers take (CA/Browser Forum, Baseline Requirements 6.3.2: 398 days at most). */
const SERVER_DAYS = 397;
const RENEWED_BEFORE_DAYS = 30;
/** Clocks of devices may be behind. */
const EARLIER_MS = DAY_MS;
const ALGORITHM = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;

export interface Certificate {
  readonly key: string;
  /** The server's, then the authority's. */
  readonly cert: string;
  /** What a device trusts once; null: the yard brought a certificate of its own. */
  readonly authority: string | null;
}

interface Names {
  readonly names: readonly string[];
  readonly addresses: readonly string[];
}

const files = (folder: string) => ({
  authorityKey: path.join(folder, 'authority.key'),
  authority: path.join(folder, 'authority.crt'),
  key: path.join(folder, 'server.key'),
  cert: path.join(folder, 'server.crt'),
});

/**
 * This machine's certificate by the yard's own small authority, both made at the first start and kept in the folder. The server's is made anew
 * before it ends, and when the machine has other names or addresses; the authority stays, so devices that trust it go on trusting.
 */
export async function certificateIn(folder: string, machine: Names, now: Date): Promise<Certificate> {
  const at = files(folder);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  if (!existsSync(at.authority) || !existsSync(at.authorityKey)) await makeAuthority(at, now);
  if (!isPair(at) || isDue(readFileSync(at.cert, 'utf8'), machine, now)) await makeServer(at, machine, now);
  const authority = readFileSync(at.authority, 'utf8');
  return { key: readFileSync(at.key, 'utf8'), cert: `${readFileSync(at.cert, 'utf8')}\n${authority}`, authority };
}

/** Whether the server's certificate is of its key: who was stopped between the two has one of each. */
function isPair({ key, cert }: Files): boolean {
  if (!existsSync(key) || !existsSync(cert)) return false;
  return new NodeCertificate(readFileSync(cert)).checkPrivateKey(createPrivateKey(readFileSync(key)));
}

/** A file is whole, or as it was. */
function writeWhole(file: string, text: string, mode: number): void {
  writeFileSync(`${file}.new`, text, { mode });
  renameSync(`${file}.new`, file);
}

function isDue(pem: string, { names, addresses }: Names, now: Date): boolean {
  const cert = new NodeCertificate(pem);
  const endsIn = new Date(cert.validTo).getTime() - now.getTime();
  if (endsIn < RENEWED_BEFORE_DAYS * DAY_MS || new Date(cert.validFrom) > now) return true;
  return names.some((name) => !cert.checkHost(name)) || addresses.some((address) => !cert.checkIP(address));
}

type Files = ReturnType<typeof files>;

const keyPair = () => webcrypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify']);
const days = (now: Date, count: number) => ({
  notBefore: new Date(now.getTime() - EARLIER_MS),
  notAfter: new Date(now.getTime() + count * DAY_MS - EARLIER_MS),
});

async function writeKey(file: string, key: webcrypto.CryptoKey): Promise<void> {
  const pem = PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', key), PemConverter.PrivateKeyTag);
  writeWhole(file, `${pem}\n`, 0o600);
}

async function makeAuthority(at: Files, now: Date): Promise<void> {
  const keys = await keyPair();
  const name = `CN=Hudrik yard ${now.toISOString().slice(0, 10)}, O=Hudrik`;
  const cert = await X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    ...{ name, keys, signingAlgorithm: ALGORITHM, ...days(now, AUTHORITY_DAYS) },
    extensions: [
      new BasicConstraintsExtension(true, 0, true),
      new KeyUsagesExtension(KeyUsageFlags.keyCertSign | KeyUsageFlags.cRLSign, true),
      await SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  await writeKey(at.authorityKey, keys.privateKey);
  writeWhole(at.authority, `${cert.toString('pem')}\n`, 0o644);
}

async function makeServer(at: Files, { names, addresses }: Names, now: Date): Promise<void> {
  const { X509Certificate } = await import('@peculiar/x509');
  const authority = new X509Certificate(readFileSync(at.authority, 'utf8'));
  const signingKey = await webcrypto.subtle.importKey(
    'pkcs8',
    PemConverter.decodeFirst(readFileSync(at.authorityKey, 'utf8')),
    ALGORITHM,
    false,
    ['sign'],
  );
  const keys = await keyPair();
  const all: JsonGeneralName[] = [
    ...names.map((value) => ({ type: 'dns', value }) as const),
    ...addresses.filter((address) => isIP(address) !== 0).map((value) => ({ type: 'ip', value }) as const),
  ];
  const cert = await X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: `CN=${names[0] ?? addresses[0] ?? 'hudrik'}, O=Hudrik`,
    issuer: authority.subject,
    ...{ publicKey: keys.publicKey, signingKey, signingAlgorithm: ALGORITHM, ...days(now, SERVER_DAYS) },
    extensions: [
      new BasicConstraintsExtension(false, undefined, true),
      new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
      new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
      new SubjectAlternativeNameExtension(all),
      await AuthorityKeyIdentifierExtension.create(authority.publicKey),
      await SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  await writeKey(at.key, keys.privateKey);
  writeWhole(at.cert, `${cert.toString('pem')}\n`, 0o644);
}

const serial = (): string => Buffer.from(webcrypto.getRandomValues(new Uint8Array(16))).toString('hex');

/** What a person compares, to know that it is the yard's: the first half of SHA-256, in fours. */
export const fingerprintOf = (pem: string): string =>
  createHash('sha256')
    .update(new NodeCertificate(pem).raw)
    .digest('hex')
    .slice(0, 32)
    .toUpperCase()
    .replaceAll(/(.{4})(?=.)/g, '$1 ');
