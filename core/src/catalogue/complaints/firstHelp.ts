import { COMMON_PRACTICE, type ClassId, type Source } from '../shapes';

/** Something that a hirer may safely try: nothing is opened, nothing is touched that turns, is hot or stands under pressure. */
export interface FirstHelp {
  readonly id: string;
  readonly words: string;
  /** Faults that it shows or puts right. */
  readonly faults: readonly string[];
  /** Only on these classes; without it on all. */
  readonly classes?: readonly ClassId[];
  readonly source: Source;
}

const help = (id: string, words: string, faults: readonly string[], classes?: readonly ClassId[]): FirstHelp => ({
  id,
  words,
  faults,
  ...(classes ? { classes } : {}),
  source: COMMON_PRACTICE,
});

/** What is said on the telephone, in no order: the sum orders it by what was told. */
export const FIRST_HELP: readonly FirstHelp[] = [
  help('fuel', 'Is there fuel in the tank, and is the fuel tap open?', ['fuel-low', 'tap-off']),
  help('switch', 'Is the switch on, the key in, each stop button out?', ['switch-off', 'kill-circuit-grounded']),
  help('oil', 'Engine off, stand it level, look at the oil: it stops itself when that is low.', ['oil-low']),
  help('choke', 'Cold: choke on. Warm: choke off.', ['choke-stuck', 'choke-misassembled']),
  help('cap', 'Engine off and cool: loosen the fuel cap a turn and shut it again.', ['cap-vent-blocked']),
  help('plug-lead', 'Engine off and cool: push the plug’s cap home.', ['plug-cap-contact']),
  help('air', 'Engine off: is the air inlet choked with grass, snow or rags?', [
    'air-filter-blocked',
    'muffler-blocked',
  ]),
  help(
    'breaker',
    'Unplug everything, push the breaker in, plug one thing in at a time.',
    ['breaker-tripped'],
    ['generator', 'welder'],
  ),
  help(
    'water',
    'Water tap wide open, hose without a kink, gun held open until no air comes: is there flow?',
    ['pump-no-water', 'pump-draws-air'],
    ['pressure-washer'],
  ),
  help(
    'nozzle',
    'Engine off, gun held open until the pressure is gone and locked: try another nozzle.',
    ['nozzle-blocked', 'nozzle-worn'],
    ['pressure-washer'],
  ),
  help(
    'chute',
    'Engine off, key out, wait until nothing turns: clear the chute with the stick, never with a hand.',
    ['chute-seized'],
    ['snowblower'],
  ),
];

/** What comes before anything is tried. */
export const BEFORE_HELP =
  'Stop it and leave it if it smells of fuel, smokes, leaks, or something moves that should not. Nothing is opened. The maker’s manual comes first.';
