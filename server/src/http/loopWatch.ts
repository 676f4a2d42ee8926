import { monitorEventLoopDelay, type IntervalHistogram } from 'node:perf_hooks';
import type { Request, RequestHandler } from 'express';
import type { Logger } from 'pino';
import { pathOf } from './withoutSecrets';

/** So long nobody else is answered before it is said. */
const BLOCKED_MS = 200;
const LOOK_EACH_MS = 1000;

/** Whether something keeps this process from answering anybody, and what was asked meanwhile: one of those it is. */
export class LoopWatch {
  readonly #delay: IntervalHistogram = monitorEventLoopDelay({ resolution: 10 });
  readonly #underWay = new Set<string>();
  /** Ended since the last look: what blocked may be over before it is looked for. */
  #ended: string[] = [];

  constructor(private readonly log: Pick<Logger, 'warn'>) {}

  /** Notes what is asked, until it is answered. */
  readonly note: RequestHandler = (request, response, next) => {
    const asked = nameOf(request, String(response.locals['request']));
    this.#underWay.add(asked);
    response.on('close', () => {
      this.#underWay.delete(asked);
      this.#ended.push(asked);
    });
    next();
  };

  /** Looks from now on, each second. Out: how to end it. */
  start(): () => void {
    this.#delay.enable();
    const timer = setInterval(() => this.#look(), LOOK_EACH_MS);
    timer.unref();
    return () => {
      clearInterval(timer);
      this.#delay.disable();
    };
  }

  #look(): void {
    const longestMs = Math.round(this.#delay.max / 1e6);
    const requests = [...this.#ended, ...this.#underWay];
    this.#ended = [];
    this.#delay.reset();
    if (longestMs > BLOCKED_MS) this.log.warn({ ms: longestMs, requests }, 'nobody else was answered meanwhile');
  }
}

const nameOf = (request: Request, id: string): string => `${id} ${request.method} ${pathOf(request)}`;
