import { stateTable } from './stateTable';

export const CLOCK_STATES = ['running', 'ended', 'stopped'] as const;
export type ClockState = (typeof CLOCK_STATES)[number];

/** A wait: it runs until somebody says what was found, or until its job is ended. */
export const CLOCK = stateTable<ClockState, 'end' | 'stop'>({
  running: { end: 'ended', stop: 'stopped' },
  ended: {},
  stopped: {},
});
