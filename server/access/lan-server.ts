import { createServer as plainServer, type RequestListener, type Server as HttpServer } from 'node:http';
import { createServer as secureServer, type Server as HttpsServer } from 'node:https';
import { createServer, type Server, type Socket } from 'node:net';
import type { Credentials } from './certificate';

/** First byte of a connection that is encrypted: a TLS handshake. */
const HANDSHAKE = 22;
/** A connection that says nothing for so long is let go, ms. */
const SILENT_MS = 10_000;
/** How long one over which something was asked is kept, ms. */
const KEPT_MS = 75_000;

export type LanServer = {
  listen: (port: number, host: string | null, ready: () => void) => void;
  onError: (heard: (error: NodeJS.ErrnoException) => void) => void;
  port: () => number;
  /** Serves with other credentials from now on; who is connected stays so. */
  use: (credentials: Credentials) => void;
  close: () => void;
};

/** Whoever typed the address without https is led there: the host is one that the browser itself has named. */
const leadToSecure: RequestListener = (request, response) => {
  const { host = '' } = request.headers;
  // Nothing but a name and a port goes into the answer.
  if (!/^[a-z0-9.:[\]-]{1,260}$/i.test(host)) response.writeHead(400).end();
  else response.writeHead(307, { Location: `https://${host}/`, 'Cache-Control': 'no-store' }).end();
};

/**
 * One port for the network: HTTPS, and for whoever asks without encryption the way to it and nothing else.
 * @param answer takes each request
 */
export function lanServer(answer: RequestListener, { cert, key }: Credentials): LanServer {
  const secure: HttpsServer = secureServer({ cert, key, minVersion: 'TLSv1.2' }, answer);
  const plain: HttpServer = plainServer(leadToSecure);
  for (const one of [secure, plain]) {
    one.headersTimeout = 20_000;
    // A phone's connection is kept past a look at the bead: another costs it a handshake, and one that ends as it asks costs it the answer.
    one.keepAliveTimeout = KEPT_MS;
  }
  const open = new Set<Socket>();
  // An answer that is sent in pieces, as packed ones are, must not wait 40 ms for the device to say that it has the first.
  const door: Server = createServer({ noDelay: true }, (socket) => {
    open.add(socket);
    socket.once('close', () => open.delete(socket));
    // A phone that walks out of reach is nobody's fault.
    socket.on('error', () => socket.destroy());
    socket.setTimeout(SILENT_MS, () => socket.destroy());
    socket.once('readable', () => {
      const first = socket.read(1) as Buffer | null;
      if (first === null) return socket.destroy();
      socket.setTimeout(0);
      socket.unshift(first);
      (first[0] === HANDSHAKE ? secure : plain).emit('connection', socket);
    });
  });
  secure.on('tlsClientError', (_error, socket) => socket.destroy());
  return {
    listen: (port, host, ready) => void door.listen({ port, ...(host === null ? {} : { host }) }, ready),
    onError: (heard) => void door.on('error', heard),
    port: () => {
      const address = door.address();
      return typeof address === 'object' && address !== null ? address.port : 0;
    },
    use: (credentials) => secure.setSecureContext({ cert: credentials.cert, key: credentials.key }),
    close: () => {
      door.close();
      open.forEach((socket) => socket.destroy());
    },
  };
}
