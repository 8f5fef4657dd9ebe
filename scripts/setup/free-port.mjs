import { createServer } from 'node:net';

/**
 * A loopback port that nobody listens on right now.
 * @returns {Promise<number>}
 */
export const freePort = () =>
  new Promise((resolve, reject) => {
    const server = createServer();
    server.on('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = /** @type {import('node:net').AddressInfo} */ (server.address());
      server.close(() => resolve(port));
    });
  });

/**
 * Whether nobody listens on a loopback port.
 * @param {number} port
 * @returns {Promise<boolean>}
 */
export const isPortFree = (port) =>
  new Promise((resolve) => {
    const server = createServer();
    server.on('error', () => resolve(false));
    server.listen(port, '127.0.0.1', () => server.close(() => resolve(true)));
  });
