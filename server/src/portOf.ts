import type { Server } from 'node:net';

/** The port that a server listens on. Throws when it does not. */
export function portOf(server: Server): number {
  const address = server.address();
  if (address === null || typeof address === 'string') throw new Error('it listens on no port');
  return address.port;
}
