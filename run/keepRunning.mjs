import { spawn } from 'node:child_process';
import { say } from './say.mjs';

/** A server that ends with this code can not be helped by starting it again: its port is taken, say. */
const HOPELESS = 78;

const USUAL = { firstPauseMs: 1000, longestPauseMs: 60_000, steadyAfterMs: 60_000 };

/** What a program of the server's is started with to end when whoever started it does, however that was: its input ends then. */
export const TOLD_TO_END = { HUDRIK_ENDS_WITH_RUNNER: 'yes' };
export const WITH_RUNNER = ['pipe', 'inherit', 'inherit'];

/**
 * Runs a program and starts it again when it dies, after pauses that grow while it keeps dying and begin anew once it has run for a while.
 * In: how to spawn it. Out: what ends it for good, and a promise of its exit code.
 */
export function keepRunning(program, args, options, pauses = {}) {
  const { firstPauseMs, longestPauseMs, steadyAfterMs } = { ...USUAL, ...pauses };
  let child = null;
  let asked = false;
  let wake = () => undefined;
  const once = () =>
    new Promise((resolve) => {
      child = spawn(program, args, options);
      child.on('error', () => resolve(1));
      child.on('exit', (code, signal) => resolve(code ?? signal));
    });
  const run = async () => {
    for (let pauseMs = firstPauseMs; ; pauseMs = Math.min(pauseMs * 2, longestPauseMs)) {
      const began = Date.now();
      const ended = await once();
      if (asked) return 0;
      if (ended === HOPELESS) return HOPELESS;
      if (Date.now() - began >= steadyAfterMs) pauseMs = firstPauseMs;
      say(`the server ended (${ended}); it is started again in ${pauseMs / 1000} s. What was entered is kept.`);
      await new Promise((resolve) => {
        const timer = setTimeout(resolve, pauseMs);
        wake = () => (clearTimeout(timer), resolve());
      });
      if (asked) return 0;
    }
  };
  const ended = run();
  return {
    ended,
    /** Of the program that runs now. */
    pid: () => child?.pid,
    stop: () => {
      asked = true;
      wake();
      child?.kill('SIGTERM');
    },
  };
}
