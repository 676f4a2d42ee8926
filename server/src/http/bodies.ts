import type { Operation } from '@hudrik/core/contracts';
import express, { type RequestHandler } from 'express';
import { Refusal, refuse } from '../refusal';

/** What one return, one card's entry or one form needs, many times over. */
const LARGEST_JSON = 200_000;
const LARGEST_RAW = '3mb';
/** A body must be here within so long: JSON is small, a photo takes its time on a weak connection. */
const PATIENCE_MS = { json: 20_000, raw: 170_000 } as const;

/** How an operation takes what is sent to it: of the right kind, in time, and no larger than it may be. */
export function bodyOf(
  operation: Operation,
  patienceMs: { readonly json: number; readonly raw: number } = PATIENCE_MS,
): RequestHandler[] {
  const { raw, body, bytes = LARGEST_JSON } = operation;
  if (raw) return [mustBeOf(raw), within(patienceMs.raw), express.raw({ type: () => true, limit: LARGEST_RAW })];
  return body
    ? [mustBeOf(['application/json']), within(patienceMs.json), express.json({ limit: bytes, type: () => true })]
    : [];
}

/** Anything else is what a page of another site can send without asking first. */
const mustBeOf =
  (types: readonly string[]): RequestHandler =>
  (request, _response, next) => {
    const type = request.get('Content-Type');
    const isEmpty = request.get('Content-Length') === '0';
    if (type === undefined ? isEmpty || types.length > 1 || types[0] !== 'application/json' : request.is([...types]))
      return next();
    return refuse('not-json', { wants: types });
  };

/** A body that drips in is cut off: it holds a connection for nothing. */
const within =
  (ms: number): RequestHandler =>
  (request, response, next) => {
    const timer = setTimeout(() => {
      // It was answered unread, and drips on.
      if (response.headersSent) return void request.destroy();
      response.setHeader('Connection', 'close');
      response.once('finish', () => request.destroy());
      next(new Refusal('too-slow'));
    }, ms);
    const done = (): void => clearTimeout(timer);
    for (const event of ['end', 'close', 'error'] as const) request.once(event, done);
    // Who left while it was asked who they are did so before anybody listened.
    if (request.destroyed) done();
    next();
  };
