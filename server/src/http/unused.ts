import type { Server } from 'node:http';
import type { Socket } from 'node:net';

/**
 * Keeps account of the connections that nothing was ever asked over: browsers open some in advance. A server that closes
 * waits for them as if something were under way, for a minute each.
 * @returns lets go of all of them
 */
export function trackUnused(server: Server): () => void {
  const unused = new Set<Socket>();
  server.on('connection', (socket: Socket) => {
    unused.add(socket);
    socket.once('close', () => unused.delete(socket));
  });
  server.on('request', ({ socket }) => unused.delete(socket));
  return () => unused.forEach((socket) => socket.destroy());
}
