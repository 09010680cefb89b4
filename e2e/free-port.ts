import { createServer } from 'node:net';

/** A port on loopback that nobody listens on. */
export const freePort = (): Promise<number> =>
  new Promise((done, fail) => {
    const s = createServer();
    s.once('error', fail);
    s.listen(0, '127.0.0.1', () => {
      const at = s.address();
      s.close(() => (at && typeof at === 'object' ? done(at.port) : fail(new Error('no port'))));
    });
  });
