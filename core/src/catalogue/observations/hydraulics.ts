import type { Applies, ObservationEntries } from '../shapes';

const LS: Applies = { classes: ['log-splitter'] };

/** A splitter’s coupling, pump, valves and ram. */
export const HYDRAULICS = {
  ram: {
    words: 'Ram',
    kind: 'complaint',
    minutes: 3,
    when: LS,
    wants: 'running',
    caution: 'hydraulic-injection',
    how: 'Out and back empty, then against a block.',
    outcomes: {
      right: ['Right', 0.93, 'Well.'],
      slow: ['Slow', 0.008, 'Fluid, pump, first stage.'],
      'no-force': ['No force', 0.008, 'Relief, second stage, seal.'],
      creeps: ['Creeps', 0.004, 'Seal or valve.'],
      'does-not-move': ['Does not move', 0.008, 'Coupling, fluid, pump.'],
    },
  },
  fluid: {
    words: 'Hydraulic fluid',
    kind: 'look',
    minutes: 1,
    when: LS,
    how: 'Ram in: level, and foam after running.',
    outcomes: {
      right: ['Right', 0.95, 'Well.'],
      low: ['Low', 0.004, 'Find where it went.'],
      foams: ['Foams', 0.003, 'Air on the suction side.'],
    },
  },
  relief: {
    words: 'Relief pressure',
    kind: 'tool',
    minutes: 12,
    when: LS,
    tools: ['hydraulic-gauge'],
    wants: 'running',
    caution: 'hydraulic-injection',
    how: 'Gauge in, ram at its end, read and let go.',
    outcomes: { right: ['Right', 0.96, 'Well.'], low: ['Low', 0.006, 'Set by the manual, or the pump is tired.'] },
  },
  'pump-coupling': {
    words: 'Pump coupling',
    kind: 'look',
    minutes: 3,
    when: LS,
    caution: 'moving-parts',
    how: 'Engine off: spider and set screws.',
    outcomes: { whole: ['Whole', 0.98, 'Well.'], slips: ['Slips', 0.003, 'Screw, key or spider.'] },
  },
  'second-stage': {
    words: 'Second stage',
    kind: 'tool',
    minutes: 4,
    when: LS,
    wants: 'running',
    caution: 'hydraulic-injection',
    how: 'Against a hard block: it should slow and push.',
    outcomes: { shifts: ['Shifts', 0.97, 'Well.'], stuck: ['Stuck', 0.004, 'It stalls or never pushes.'] },
  },
  'ram-seal': {
    words: 'Ram seal',
    kind: 'tool',
    minutes: 6,
    when: LS,
    caution: 'hydraulic-injection',
    how: 'Loaded, valve centred: does it hold? By the manual, return line watched.',
    outcomes: { holds: ['Holds', 0.97, 'Well.'], 'by-passes': ['By-passes', 0.004, 'New seals.'] },
  },
  'hydraulic-leak': {
    words: 'Hydraulic leak',
    kind: 'look',
    minutes: 1,
    when: LS,
    caution: 'hydraulic-injection',
    how: 'Pressure off. Card, never the hand.',
    outcomes: { none: ['None', 0.96, 'Well.'], weeps: ['Weeps', 0.006, 'Out of use until it is new.'] },
  },
} as const satisfies ObservationEntries;
