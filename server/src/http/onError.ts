import type { FailureCode, FieldFailure } from '@hudrik/core/contracts';
import type { ErrorRequestHandler } from 'express';
import pg from 'pg';
import { isDataError } from '../database/isDataError';
import type { Logger } from 'pino';
import { ValidationError } from 'yup';
import { problemOf, Refusal } from '../refusal';
import { pathOf } from './withoutSecrets';

/** What PostgreSQL refuses by our own rules, as the code it stands for. */
const BY_CONSTRAINT: Readonly<Record<string, FailureCode>> = {
  HU001: 'hours-below-last',
  HU003: 'hours-above-next',
  hire_promised_once: 'hire-overlaps',
  hire_out_once: 'already-out',
  log_entry_pkey: 'key-reused',
};

/** Classes and codes of PostgreSQL that mean it is away or busy, not that the request is wrong. */
const AWAY = /^(08|57P|53|40001|40P01|55P03)/;
/** How long to wait before asking again, seconds. */
const RETRY_AFTER = '2';

/** The one place that turns a failure into an answer: RFC 9457 problem details. */
export const onError =
  (log: Logger): ErrorRequestHandler =>
  (error: unknown, request, response, next) => {
    // Cut off: it was answered, and nobody reads on.
    if (response.writableEnded) return;
    if (response.headersSent) return next(error);
    const refusal = toRefusal(error);
    const id: unknown = response.locals['request'];
    const about = { err: error, request: id, method: request.method, path: pathOf(request) };
    if (refusal.code === 'unexpected') log.error(about, refusal.code);
    if (refusal.code === 'store-away') log.warn(about, refusal.code);
    const problem = problemOf(refusal.code === 'unexpected' ? new Refusal('unexpected', { request: id }) : refusal);
    if (problem.status === 503) response.setHeader('Retry-After', RETRY_AFTER);
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };

function toRefusal(error: unknown): Refusal {
  if (error instanceof Refusal) return error;
  if (error instanceof ValidationError) return new Refusal('not-valid', {}, fieldFailures(error));
  if (error instanceof pg.DatabaseError) return ofDatabase(error);
  return new Refusal(ofOther(error));
}

const fieldFailures = (error: ValidationError): FieldFailure[] =>
  (error.inner.length > 0 ? error.inner : [error]).map((inner) => ({
    path: inner.path ?? '',
    message: inner.errors.join(' '),
  }));

function ofDatabase(error: pg.DatabaseError): Refusal {
  const own = BY_CONSTRAINT[error.constraint ?? ''] ?? BY_CONSTRAINT[error.code ?? ''];
  if (own) return new Refusal(own);
  if (error.code === '23505') return new Refusal('already-there', { constraint: error.constraint });
  if (AWAY.test(error.code ?? '')) return new Refusal('store-away');
  // Text that PostgreSQL cannot hold (a NUL byte, say) is the sender's, as is a number that is too large.
  if (isDataError(error)) return new Refusal('not-valid');
  return new Refusal('unexpected');
}

const AWAY_CODE = /ECONNREFUSED|ECONNRESET|ETIMEDOUT|EPIPE|ENOENT/;
const AWAY_MESSAGE =
  /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error|not queryable|Cannot use a pool after calling end/;

const fieldOf = (error: unknown, name: string): string => {
  const value: unknown = typeof error === 'object' && error !== null ? Reflect.get(error, name) : undefined;
  return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
};

function ofOther(error: unknown): FailureCode {
  if (fieldOf(error, 'type') === 'entity.too.large') return 'too-large';
  // What express and its parsers refuse of what was sent: a broken body, an encoding or charset that is none, a path that cannot be decoded.
  if (/^4\d\d$/.test(fieldOf(error, 'status')) || error instanceof URIError) return 'not-json';
  return AWAY_CODE.test(fieldOf(error, 'code')) || AWAY_MESSAGE.test(fieldOf(error, 'message'))
    ? 'store-away'
    : 'unexpected';
}
