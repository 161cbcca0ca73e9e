import compression from 'compression';
import express, { type Express, type RequestHandler, type Response } from 'express';
import packed from 'express-static-gzip';
import helmet from 'helmet';
import { extname, join } from 'node:path';
import { withCaller } from './access/caller';
import { answering, guard, type Answering } from './access/guard';
import { NO_COPIES } from '../core/record/shapes/copies-schema';
import type { Network } from './access/network';
import { limitTries } from './access/tries';
import type { Context } from './api/endpoint';
import { PACKED_FROM, routesFor } from './api/endpoint';
import { ENDPOINTS } from './api/endpoints';
import { DESCRIBED } from './described';
import { openApi } from './api/openapi';
import { knownHostsOnly } from './http/known-hosts';
import { BODY_LIMIT_KB, errorHandler, sendPage, sendProblem } from './errors/problem';
import { requestLog } from './http/request-log';
import { pictureRoutes } from './pictures/routes';
import { recordRoutes, type RecordContext } from './files/routes';
import { clock } from './system/clock';

/** Only what the app itself ships may load; styles are written into the page by the style engine. */
const CONTENT_POLICY = {
  useDefaults: false,
  directives: {
    defaultSrc: ["'self'"],
    styleSrc: ["'self'", "'unsafe-inline'"],
    // What was photographed and waits on the device is shown from the device.
    imgSrc: ["'self'", 'data:', 'blob:'],
    objectSrc: ["'none'"],
    baseUri: ["'self'"],
    frameAncestors: ["'none'"],
    formAction: ["'self'"],
  },
};

/** Built files carry a hash in their names, so they may be kept for good; the page itself may not. */
function siteRoutes(site: string): RequestHandler[] {
  const kept = { immutable: true, maxAge: '1y', fallthrough: true } as const;
  const page: RequestHandler = (request, response, next) => {
    if (request.method !== 'GET' && request.method !== 'HEAD') return next();
    // A file that is not there is not answered with the page: a script would fail on it.
    if (extname(request.path) !== '') return next();
    response.set('Cache-Control', 'no-cache').sendFile(join(site, 'index.html'), (error) => error && next(error));
  };
  /** A folder whose files the build has packed already: packing the scripts anew at each visit takes longer than sending. */
  const folder = (name: string, serveStatic: object): RequestHandler =>
    packed(join(site, name), { enableBrotli: true, orderPreference: ['br', 'gzip'], index: false, serveStatic });
  return [
    express.Router().use('/_expo', folder('_expo', kept)),
    express.Router().use('/assets', folder('assets', kept)),
    // What opens the page without the server is asked for anew each time, else no new version would be found.
    express.Router().use(
      '/sw.js',
      express.static(join(site, 'sw.js'), {
        cacheControl: false,
        setHeaders: (response) => response.set('Cache-Control', 'no-cache'),
      }),
    ),
    express.static(site, { index: false }),
    page,
  ];
}

export type AppOptions = Omit<Context, 'now' | 'network' | 'answering' | 'copies'> & {
  now?: () => Date;
  /** None are made where this is left away. */
  copies?: Context['copies'];
  /** How it is reached from the network, where it is: then nobody gets anything who did not come in. */
  network?: Network | null;
  answering?: Answering;
  /** Proxies in front of it, whose word on who asks is taken. */
  proxies?: number;
  /** Takes a file into the database. */
  takeFileIn: RecordContext['takeFileIn'];
  /** Folder of the built app, or null for the API alone. */
  site: string | null;
  /** Further host names that this server goes by. */
  hostNames?: () => readonly string[];
};

const noStore: RequestHandler = (_request, response, next) => {
  response.set('Cache-Control', 'no-store');
  next();
};

/** What devices come to trust: whoever asks may have it, for it proves nothing but who the server is. */
function sendAuthority(response: Response, pem: string | null): void {
  if (pem === null) return sendPage(response, 404, 'The certificate of this server is trusted as others are.');
  response
    .type('application/x-x509-ca-cert')
    .set('Content-Disposition', 'attachment; filename="workshop.crt"')
    .send(pem);
}

/** The whole server: API under /api, the built app for everything else. */
export function createApp({ site, hostNames = () => [], proxies = 0, ...options }: AppOptions): Express {
  const context = {
    ...{ now: clock, network: null, answering: answering(), copies: () => NO_COPIES },
    ...options,
  };
  const { store, now, network } = context;
  const app = express();
  app.set('trust proxy', proxies);
  // No answer of the API is kept by whoever asked, so none needs a mark to be asked anew by; files have their own.
  app.set('etag', false);
  app.use(requestLog(context.log));
  app.use(knownHostsOnly(hostNames));
  app.use(helmet({ contentSecurityPolicy: CONTENT_POLICY, strictTransportSecurity: false }));
  app.use(compression({ threshold: PACKED_FROM }));
  app.use('/api', noStore, withCaller(store, network !== null, now), guard(context.answering));
  if (network !== null) {
    app.get('/authority.crt', (_request, response) => sendAuthority(response, network.authority()));
  }
  // Files of the whole record are larger than any change, and are taken as they come.
  app.use('/api', recordRoutes(context), pictureRoutes(context));
  app.use('/api', express.json({ limit: `${BODY_LIMIT_KB}kb`, strict: false }));
  if (network !== null) app.use('/api/session', limitTries(store, now));
  let description: object | null = null;
  app.get('/api/openapi.json', (_request, response) => void response.json((description ??= openApi(DESCRIBED))));
  app.use('/api', routesFor(ENDPOINTS, context));
  app.use('/api', (_request, response) =>
    sendProblem(response, 'no-such-address', 'There is nothing at this address of the API.'),
  );
  if (site !== null) app.use(...siteRoutes(site));
  app.use((_request, response) => sendPage(response, 404, 'There is nothing at this address.'));
  app.use(errorHandler(context.log));
  return app;
}
