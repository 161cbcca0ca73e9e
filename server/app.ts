import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { join } from 'node:path';
import { beadRoutes } from './beads';
import { couponRoutes } from './coupons';
import type { Store } from './db/open';
import { diagnoseRoutes } from './diagnose';
import { handleError, sendProblem } from './problem';
import { rigRoutes } from './rigs';

/** Only what the app itself ships may load; styles are written into the page by the style engine. */
const CONTENT_POLICY = {
  useDefaults: false,
  directives: {
    defaultSrc: ["'self'"],
    styleSrc: ["'self'", "'unsafe-inline'"],
    imgSrc: ["'self'", 'data:'],
    objectSrc: ["'none'"],
    baseUri: ["'self'"],
    frameAncestors: ["'none'"],
    formAction: ["'self'"],
  },
};

/**
 * The whole server: API under /api, the built app for everything else.
 * @param store an open database
 * @param site folder of the built app, or null for the API alone
 */
export function createApp(store: Store, site: string | null): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(helmet({ contentSecurityPolicy: CONTENT_POLICY, strictTransportSecurity: false }));
  app.use(compression());
  app.use('/api', express.json({ limit: '256kb', strict: false }));
  app.get('/api/health', (_request, response) => {
    response.json({ ok: true });
  });
  app.use('/api/diagnose', diagnoseRoutes());
  app.use('/api/rigs', rigRoutes(store));
  app.use('/api/coupons', couponRoutes(store));
  app.use('/api/beads', beadRoutes(store));
  app.use('/api', (_request, response) =>
    sendProblem(response, 404, 'No such address', 'There is nothing at this address of the API.'),
  );
  if (site !== null) {
    // Built files carry a hash in their names, so they may be kept for good; the page itself may not.
    app.use('/_expo', express.static(join(site, '_expo'), { immutable: true, maxAge: '1y', fallthrough: false }));
    app.use('/assets', express.static(join(site, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
    app.use(express.static(site, { index: false }));
    app.get('/{*path}', (_request, response) => {
      response.set('Cache-Control', 'no-cache').sendFile(join(site, 'index.html'));
    });
  }
  app.use(handleError);
  return app;
}
