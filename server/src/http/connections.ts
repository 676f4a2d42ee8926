import type { Server } from 'node:http';
import type { Server as SecureServer } from 'node:https';

/** How long a server waits on a connection. */
export function waitAtConnections(server: Server | SecureServer): void {
  // A request must begin at once and come to its end: what only holds a connection is cut off.
  server.headersTimeout = 15_000;
  server.requestTimeout = 180_000;
  // Longer than a phone's or a proxy's own patience: a request on a connection that was just shut would be lost (Node's usual 5 s is too short).
  server.keepAliveTimeout = 75_000;
}
