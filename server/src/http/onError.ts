import type { FailureCode, FieldFailure } from '@hudrik/core/contracts';
import type { ErrorRequestHandler } from 'express';
import pg from 'pg';
import type { Logger } from 'pino';
import { ValidationError } from 'yup';
import { problemOf, Refusal } from '../refusal';

/** What PostgreSQL refuses by our own rules, as the code it stands for. */
const BY_CONSTRAINT: Readonly<Record<string, FailureCode>> = {
  HU001: 'hours-below-last',
  HU003: 'hours-above-next',
  hire_promised_once: 'hire-overlaps',
  hire_out_once: 'already-out',
  check_in_one_follows: 'already-checked-in',
};

/** Classes and codes of PostgreSQL that mean it is away, not that the request is wrong. */
const AWAY = /^(08|57P|53|40001|40P01)/;

/** The one place that turns a failure into an answer: RFC 9457 problem details. */
export const onError =
  (log: Logger): ErrorRequestHandler =>
  (error, request, response, next) => {
    if (response.headersSent) return next(error);
    const refusal = toRefusal(error);
    if (refusal.code === 'unexpected' || refusal.code === 'store-away')
      log.error({ error, path: request.path }, refusal.code);
    const problem = problemOf(refusal);
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };

function toRefusal(error: unknown): Refusal {
  if (error instanceof Refusal) return error;
  if (error instanceof ValidationError) return new Refusal('not-valid', {}, fieldFailures(error));
  if (error instanceof pg.DatabaseError) return ofDatabase(error);
  return new Refusal(ofOther(error as { type?: string; code?: string; message?: string }));
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
  // Text that PostgreSQL can not hold (a NUL byte, say) is the sender's.
  if (error.code?.startsWith('22')) return new Refusal('not-valid');
  return new Refusal('unexpected');
}

function ofOther(error: { type?: string; code?: string; message?: string }): FailureCode {
  if (error.type === 'entity.too.large') return 'too-large';
  if (
    error.type?.startsWith('entity.') ||
    error.type === 'encoding.unsupported' ||
    error.type === 'request.aborted' ||
    error instanceof URIError
  )
    return 'not-json';
  const away =
    /ECONNREFUSED|ECONNRESET|ETIMEDOUT|EPIPE|ENOENT/.test(error.code ?? '') ||
    /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error/.test(
      error.message ?? '',
    );
  return away ? 'store-away' : 'unexpected';
}
