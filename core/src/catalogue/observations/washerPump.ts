import type { Applies, ObservationEntries } from '../shapes';

const PW: Applies = { classes: ['pressure-washer'] };

/** A washer’s pump, unloader and nozzle. */
export const WASHER_PUMP = {
  pressure: {
    words: 'Pressure',
    kind: 'complaint',
    minutes: 4,
    when: PW,
    wants: 'running',
    caution: 'high-pressure-water',
    how: 'Right nozzle, gun open, gauge at the outlet if there is one.',
    outcomes: {
      full: ['Full', 0.93, 'Well.'],
      none: ['None', 0.004, 'No water, or it all goes round the unloader.'],
      low: ['Low', 0.012, 'Worn nozzle, valves, inlet.'],
      pulses: ['Pulses', 0.008, 'Air, or one valve.'],
      'drops-on-trigger': ['Drops as the gun opens', 0.004, 'Unloader or supply.'],
    },
  },
  'water-supply': {
    words: 'Water supply',
    kind: 'look',
    minutes: 2,
    when: PW,
    how: 'Fill a bucket at the hose: litres a minute against the pump’s.',
    outcomes: { ample: ['Ample', 0.95, 'Well.'], poor: ['Poor', 0.007, 'The pump starves.'] },
  },
  'pump-inlet': {
    words: 'Pump inlet',
    kind: 'look',
    minutes: 2,
    when: PW,
    how: 'Screen out; look for bubbles in a clear hose.',
    outcomes: {
      clean: ['Clean', 0.94, 'Well.'],
      blocked: ['Blocked', 0.006, 'Clear it.'],
      'draws-air': ['Draws air', 0.003, 'Washer or hose.'],
    },
  },
  'nozzle-flow': {
    words: 'Nozzle by bucket',
    kind: 'tool',
    minutes: 4,
    when: PW,
    tools: ['bucket'],
    wants: 'running',
    caution: 'high-pressure-water',
    how: 'Litres in a minute through it against its number.',
    outcomes: {
      right: ['Right', 0.92, 'Well.'],
      worn: ['Worn', 0.008, 'More water, less pressure.'],
      blocked: ['Blocked', 0.003, 'Clear it with the pin.'],
    },
  },
  unloader: {
    words: 'Unloader',
    kind: 'tool',
    minutes: 5,
    when: PW,
    wants: 'running',
    caution: 'high-pressure-water',
    how: 'Open and shut the gun: it should shift at once.',
    outcomes: { shifts: ['Shifts', 0.96, 'Well.'], stuck: ['Stuck', 0.006, 'Clean, seals, or new.'] },
  },
  'pump-valves': {
    words: 'Pump valves',
    kind: 'opened',
    minutes: 15,
    when: PW,
    caution: 'high-pressure-water',
    how: 'Caps off: each valve moves and seats.',
    outcomes: { move: ['All move', 0.95, 'Well.'], stuck: ['One stuck', 0.007, 'It pulses or is weak.'] },
  },
  'pump-oil': {
    words: 'Pump oil',
    kind: 'look',
    minutes: 1,
    when: PW,
    how: 'Sight glass or dipstick.',
    outcomes: {
      clean: ['Clean', 0.95, 'Well.'],
      milky: ['Milky', 0.003, 'Water gets past the seals.'],
      low: ['Low', 0.004, 'Look for the leak.'],
    },
  },
  'pump-leak': {
    words: 'Pump leaking',
    kind: 'look',
    minutes: 1,
    when: PW,
    how: 'Under the head, at the seals.',
    outcomes: { none: ['None', 0.96, 'Well.'], weeps: ['Weeps', 0.006, 'Seals.'] },
  },
} as const satisfies ObservationEntries;
