import { randomUUID } from 'node:crypto';
import path from 'node:path';
import compression from 'compression';
import express, { type Express, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import type { Logger } from 'pino';
import type { Context } from '../context';
import type { Reads } from '../database/reads';
import { problemOf, Refusal } from '../refusal';
import { bindOperations } from './bind';
import { handlersOf } from './handlers';
import type { Installation } from './installation';
import type { LoopWatch } from './loopWatch';
import { metricsPage } from './metricsPage';
import type { Metrics } from '../status/metrics';
import { onError } from './onError';
import { mustBeOwnName, mustBeOwnPage } from './ownPages';
import { pathOf } from './withoutSecrets';
import { together } from './together';

export interface Serving {
  readonly context: Context;
  readonly reads: Reads;
  readonly installation: Installation;
  readonly log: Logger;
  readonly loop: LoopWatch;
  readonly metrics: Metrics;
  /** With it programs on other machines read what is to be watched; null: none do. */
  readonly metricsToken: string | null;
  /** The built web app, or null to serve the API alone. */
  readonly webFolder: string | null;
  readonly codesPerMinute: number;
}

/** The HTTP side: API under /api, everything else is the app. */
export function httpApp(serving: Serving): Express {
  const { context, reads, installation, log, loop, metrics, webFolder, codesPerMinute } = serving;
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  // A proxy on this machine says how it was reached.
  app.set('trust proxy', 'loopback');
  app.use(guarded());
  app.use(mustBeOwnName(installation.isOwnName));
  app.use(compression());
  app.use('/api', noted(log, metrics));
  app.use('/api', loop.note);
  app.use('/api', mustBeOwnPage);
  // Only who has no device yet is slowed down by address: nobody who is let in waits for a neighbour.
  const slowDown = rateLimit({
    windowMs: 60_000,
    limit: codesPerMinute,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_request, _response, next) => next(new Refusal('too-many')),
  });
  bindOperations(app, { context, reads, together: together() }, handlersOf(installation), {
    letIn: slowDown,
    firstLead: slowDown,
  });
  app.use(
    '/api',
    (_request, response) =>
      void response
        .status(404)
        .type('application/problem+json')
        .send(JSON.stringify(problemOf(new Refusal('not-found')))),
  );
  app.get('/metrics', metricsPage(metrics, serving.metricsToken));
  if (webFolder !== null) serveWeb(app, webFolder);
  app.use(onError(log));
  return app;
}

/** What a page of it may do, and whence. */
function guarded(): RequestHandler {
  // Where it is reached privately it is never again reached otherwise; over plain http the header means nothing.
  const hsts = { maxAge: HSTS_SECONDS, includeSubDomains: false };
  const plain = helmet({ contentSecurityPolicy: { directives: DIRECTIVES }, strictTransportSecurity: false });
  const secure = helmet({ contentSecurityPolicy: { directives: DIRECTIVES }, strictTransportSecurity: hsts });
  return (request, response, next) => {
    response.setHeader('Permissions-Policy', PERMISSIONS);
    return (request.secure ? secure : plain)(request, response, next);
  };
}

/** Each request has a name, and one line in the log: whoever sees a failure and whoever reads the log can tell each other which it was. */
const noted =
  (log: Logger, metrics: Metrics): RequestHandler =>
  (request, response, next) => {
    const id = randomUUID().slice(0, 8);
    response.locals['request'] = id;
    response.setHeader('X-Request-Id', id);
    const began = process.hrtime.bigint();
    response.on('finish', () => {
      const ms = Number(process.hrtime.bigint() - began) / 1e6;
      const operation: unknown = response.locals['operation'];
      metrics.answered(typeof operation === 'string' ? operation : 'none', response.statusCode, ms / 1000);
      const { method } = request;
      log.info({ request: id, method, path: pathOf(request), status: response.statusCode, ms }, 'request');
    });
    response.setHeader('Cache-Control', 'no-store');
    next();
  };

const HSTS_SECONDS = 180 * 86_400;

/** What no page of Hudrik's asks a device for; the camera reads tags and takes photos. */
const PERMISSIONS = [
  'camera=(self)',
  ...['accelerometer', 'bluetooth', 'display-capture', 'geolocation', 'gyroscope', 'hid', 'magnetometer', 'microphone'],
  ...['midi', 'payment', 'serial', 'usb', 'xr-spatial-tracking'],
]
  .map((entry) => (entry.includes('=') ? entry : `${entry}=()`))
  .join(', ');

const DIRECTIVES = {
  defaultSrc: ["'self'"],
  scriptSrc: ["'self'"],
  // react-native-web writes its styles into the page.
  styleSrc: ["'self'", "'unsafe-inline'"],
  imgSrc: ["'self'", 'data:', 'blob:'],
  fontSrc: ["'self'"],
  connectSrc: ["'self'"],
  workerSrc: ["'self'"],
  upgradeInsecureRequests: null,
};

function serveWeb(app: Express, folder: string): void {
  const forever = { immutable: true, maxAge: '1y' } as const;
  app.use('/_expo', express.static(path.join(folder, '_expo'), forever));
  app.use('/assets', express.static(path.join(folder, 'assets'), { ...forever, dotfiles: 'allow' }));
  app.use(express.static(folder, { setHeaders: (response) => void response.setHeader('Cache-Control', 'no-cache') }));
  app.get(
    '/{*any}',
    (_request, response) => void response.set('Cache-Control', 'no-cache').sendFile(path.join(folder, 'index.html')),
  );
}
