import type { RequestHandler } from 'express';
import { refuse } from '../refusal';

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);
const OWN = new Set(['same-origin', 'none']);

/** A write that another site's page asks for is refused, whatever cookies came with it. Programs that are no browser say no origin. */
export const mustBeOwnPage: RequestHandler = (request, _response, next) => {
  if (READS.has(request.method)) return next();
  const [origin, site] = [request.get('Origin'), request.get('Sec-Fetch-Site')];
  if (origin !== undefined && hostOf(origin) !== request.get('Host')) return refuse('foreign-origin', { origin });
  if (site !== undefined && !OWN.has(site)) return refuse('foreign-origin', { site });
  return next();
};

/** Whoever comes by a name that the yard does not go by was led here by another site. */
export const mustBeOwnName =
  (isOwnName: (host: string | undefined) => boolean): RequestHandler =>
  (request, _response, next) =>
    // Not what a proxy says besides: a page that was led here could say that too.
    isOwnName(request.headers.host)
      ? next()
      : refuse('wrong-host', { host: String(request.headers.host).slice(0, 120) });

/** The host that an origin names; undefined where it names none, as "null" does. */
function hostOf(origin: string): string | undefined {
  try {
    return new URL(origin).host;
  } catch {
    return undefined;
  }
}
