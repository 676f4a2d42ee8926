import { connect, createServer, type Socket } from 'node:net';
import { portOf } from '../portOf';

/** A line to somewhere that can be cut, as a database or a network goes away, and joined again. */
export interface Line {
  readonly port: number;
  readonly cut: () => void;
  readonly join: () => void;
  /** From now on nothing that comes back is passed on. */
  readonly swallowAnswers: () => void;
  readonly stop: () => void;
}

export async function cuttableLine(toHost: string, toPort: number): Promise<Line> {
  const sockets = new Set<Socket>();
  let isCut = false;
  let swallows = false;
  const server = createServer((near) => {
    if (isCut) return near.destroy();
    const far = connect(toPort, toHost);
    for (const socket of [near, far]) {
      sockets.add(socket);
      socket.on('error', () => undefined);
      socket.on('close', () => {
        sockets.delete(socket);
        near.destroy();
        far.destroy();
      });
    }
    near.on('data', (chunk) => far.write(chunk));
    far.on('data', (chunk) => swallows || near.write(chunk));
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    port: portOf(server),
    cut: () => {
      isCut = true;
      for (const socket of sockets) socket.destroy();
    },
    join: () => {
      isCut = false;
    },
    swallowAnswers: () => {
      swallows = true;
    },
    stop: () => {
      for (const socket of sockets) socket.destroy();
      server.close();
    },
  };
}
