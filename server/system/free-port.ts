import { createServer } from 'node:net';

/** A port of this machine that is free now. */
export function freePort(): Promise<number> {
  return new Promise((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => done(typeof address === 'object' && address !== null ? address.port : 0));
    });
  });
}
