import { createHash, timingSafeEqual } from 'node:crypto';
import type { RequestHandler } from 'express';
import type { Metrics } from '../status/metrics';
import { isNear } from './isNear';

/** What is to be watched, for a program on this machine, or for one that has the token. Null: there is no token. */
export const metricsPage =
  (metrics: Metrics, token: string | null): RequestHandler =>
  async (request, response) => {
    const given = /^Bearer (.+)$/.exec(request.get('authorization') ?? '')?.[1];
    const isLet = given === undefined ? isNear(request) : token !== null && isSame(given, token);
    if (!isLet) {
      response.status(401).set('WWW-Authenticate', 'Bearer').type('text/plain').send('A token is wanted.\n');
      return;
    }
    response
      .set('Cache-Control', 'no-store')
      .type(metrics.contentType)
      .send(await metrics.text());
  };

const hashed = (text: string): Buffer => createHash('sha256').update(text).digest();
const isSame = (a: string, b: string): boolean => timingSafeEqual(hashed(a), hashed(b));
