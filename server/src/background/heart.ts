import type pg from 'pg';
import type { Logger } from 'pino';
import { jumpMeter, keepJump, secondsAhead } from './clockJumps';
import { releaseDead } from './deadWorkers';
import { askWhatIsDue, bringBackWhatWasPutOff } from './regular';

const BEAT_MS = 15_000;

/**
 * Looks every few seconds what is due, by a timer that no clock can stop: frees what dead processes held, says that the clock was put on or back,
 * and leaves what is due to the background. A beat that fails is said once, and the next comes all the same.
 */
export function startHeart(pool: pg.Pool, log: Logger, beatMs = BEAT_MS): { readonly stop: () => Promise<void> } {
  const jump = jumpMeter();
  let failed = 0;
  let beating: Promise<void> | null = null;
  const beat = async (): Promise<void> => {
    const seconds = jump() || -(await secondsAhead(pool));
    if (seconds !== 0) {
      log.warn({ seconds }, 'the clock of this machine was put on or back');
      await keepJump(pool, seconds);
    }
    await releaseDead(pool);
    await bringBackWhatWasPutOff(pool);
    await askWhatIsDue(pool);
  };
  const once = (): void => {
    // One that hangs is not waited for by a second.
    beating ??= beat()
      .then(
        () => {
          if (failed > 0) log.warn({ failed }, 'what is due is asked for again');
          failed = 0;
        },
        (error: unknown) => {
          if (failed++ === 0) log.warn({ err: error }, 'what is due cannot be asked for');
        },
      )
      .finally(() => {
        beating = null;
      });
  };
  once();
  const timer = setInterval(once, beatMs);
  return {
    stop: async () => {
      clearInterval(timer);
      await beating;
    },
  };
}
