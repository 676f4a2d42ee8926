import { createHash, randomBytes, randomInt } from 'node:crypto';

/** Of a secret that a device keeps only this is stored. */
export const hashOf = (secret: string): Buffer => createHash('sha256').update(secret).digest();

/** A secret that nobody types. */
export const freshSecret = (): string => randomBytes(32).toString('base64url');

/** Letters and figures that are not taken for each other, read out or written by hand. */
const LETTERS = '23456789ABCDEFGHJKMNPQRSTVWXYZ';
const CODE_LENGTH = 8;

/** A code that is typed: one of 6.5 × 10^11. */
export const freshCode = (): string =>
  Array.from({ length: CODE_LENGTH }, () => LETTERS[randomInt(LETTERS.length)]).join('');

/** As it is meant, however it was typed. */
export const plainCode = (typed: string): string => typed.toUpperCase().replaceAll(/[^A-Z0-9]/g, '');
