import { FIND_FAULT } from '../checklists/findFault';
import type { Complaint, ComplaintGroup, Consequence, ObservationId, Shown } from '../shapes';

/** The told observations by heading; what is not an engine's own is the machine's. */
const GROUP: Readonly<Partial<Record<ObservationId, ComplaintGroup>>> = {
  starting: 'starting',
  choke: 'starting',
  starter: 'starting',
  'runs-for': 'running',
  idle: 'running',
  'under-load': 'running',
  throttle: 'running',
  intermittent: 'running',
  smoke: 'smoke-and-feel',
  'kick-back': 'smoke-and-feel',
  'fuel-leak': 'smoke-and-feel',
  'recoil-feel': 'smoke-and-feel',
};

/** Told, and dangerous as such. */
const CAN_HURT: ReadonlySet<string> = new Set(['smelt-fuel', 'tines-creep', 'kicks-back']);

const complaint = (
  id: string,
  words: string,
  shows: Shown,
  sentence: string,
  consequence: Consequence = 'hold',
): Complaint => ({
  id,
  group: GROUP[shows.observation] ?? 'machine',
  words,
  shows,
  consequence,
  sentence,
  ...(consequence === 'note' ? {} : { raises: FIND_FAULT }),
  ...(CAN_HURT.has(id) ? { safety: true } : {}),
});

/** What hirers say, as taps. Each maps to an outcome of the fault-finding vocabulary. */
export const COMPLAINTS: readonly Complaint[] = [
  complaint('hard-to-start', 'Hard to start', { observation: 'starting', outcome: 'hard' }, 'It was hard to start.'),
  complaint(
    'fires-then-dies',
    'Fires, then dies',
    { observation: 'starting', outcome: 'fires-then-dies' },
    'It fires, then dies.',
  ),
  complaint(
    'will-not-fire',
    'Would not fire',
    { observation: 'starting', outcome: 'will-not-fire' },
    'It would not fire at all.',
  ),
  complaint(
    'will-not-turn',
    'Would not turn over',
    { observation: 'starting', outcome: 'will-not-turn' },
    'It would not turn over.',
  ),
  complaint(
    'only-on-choke',
    'Only runs on choke',
    { observation: 'choke', outcome: 'needs-choke' },
    'It only runs on choke: lean, or low compression.',
  ),
  complaint(
    'dies-in-two',
    'Dies within 2 min',
    { observation: 'runs-for', outcome: 'under-2-min' },
    'It runs a minute or two, then dies.',
  ),
  complaint(
    'dies-in-ten',
    'Dies after 2 to 10 min',
    { observation: 'runs-for', outcome: '2-to-10-min' },
    'It dies after two to ten minutes.',
  ),
  complaint(
    'dies-warm',
    'Dies once warm',
    { observation: 'runs-for', outcome: '10-to-30-min' },
    'It runs ten minutes or more, then dies.',
  ),
  complaint('hunts', 'Revs rise and fall', { observation: 'idle', outcome: 'hunts' }, 'The revs hunt up and down.'),
  complaint('rough', 'Runs rough', { observation: 'idle', outcome: 'rough' }, 'It runs rough.'),
  complaint('no-idle', 'Will not idle', { observation: 'idle', outcome: 'will-not-idle' }, 'It will not idle.'),
  complaint('bogs', 'Bogs under load', { observation: 'under-load', outcome: 'bogs' }, 'It bogs down under load.'),
  complaint('dies-on-load', 'Dies under load', { observation: 'under-load', outcome: 'dies' }, 'It dies under load.'),
  complaint('pops', 'Pops back', { observation: 'throttle', outcome: 'pops-back' }, 'It pops back through the intake.'),
  complaint(
    'black-smoke',
    'Black smoke',
    { observation: 'smoke', outcome: 'black' },
    'Black smoke: rich, choke or filter.',
  ),
  complaint('blue-smoke', 'Blue smoke', { observation: 'smoke', outcome: 'blue' }, 'Blue smoke: it burns oil.'),
  complaint(
    'white-smoke',
    'White smoke',
    { observation: 'smoke', outcome: 'white' },
    'White smoke that did not clear.',
  ),
  complaint(
    'kicks-back',
    'Rope kicks back',
    { observation: 'kick-back', outcome: 'yes' },
    'The rope kicks back: timing.',
  ),
  complaint(
    'smelt-fuel',
    'Dripped fuel',
    { observation: 'fuel-leak', outcome: 'carburettor' },
    'The hirer saw fuel drip from the carburettor.',
  ),
  complaint(
    'rope-locked',
    'Rope locked',
    { observation: 'recoil-feel', outcome: 'locked' },
    'The rope locks: it does not turn.',
  ),
  complaint('starter-dead', 'Key does nothing', { observation: 'starter', outcome: 'dead' }, 'The key does nothing.'),
  complaint(
    'comes-and-goes',
    'Comes and goes',
    { observation: 'intermittent', outcome: 'comes-and-goes' },
    'The trouble comes and goes: prove it longer.',
    'note',
  ),
  complaint('no-pressure', 'No pressure', { observation: 'pressure', outcome: 'none' }, 'No pressure at the gun.'),
  complaint('low-pressure', 'Low pressure', { observation: 'pressure', outcome: 'low' }, 'Low pressure at the gun.'),
  complaint('pulses', 'Pressure pulses', { observation: 'pressure', outcome: 'pulses' }, 'The pressure pulses.'),
  complaint('no-power', 'No power at sockets', { observation: 'output', outcome: 'none' }, 'No volts at the sockets.'),
  complaint('low-power', 'Lights dim', { observation: 'output', outcome: 'low' }, 'Low volts: lights dim.'),
  complaint(
    'drops-on-load',
    'Drops out on load',
    { observation: 'output', outcome: 'drops-on-load' },
    'The volts drop out under load.',
  ),
  complaint(
    'tines-creep',
    'Tines turn in neutral',
    { observation: 'tines', outcome: 'turn-in-neutral' },
    'The tines turn in neutral.',
  ),
  complaint(
    'tines-stuck',
    'Tines do not turn',
    { observation: 'tines', outcome: 'do-not-turn' },
    'The tines do not turn.',
  ),
  complaint(
    'auger-stuck',
    'Auger does not turn',
    { observation: 'auger', outcome: 'does-not-turn' },
    'The auger does not turn.',
  ),
  complaint('auger-stalls', 'Auger stalls', { observation: 'auger', outcome: 'stalls' }, 'The auger stalls.'),
  complaint('no-drive', 'Wheels slip or stop', { observation: 'travel', outcome: 'slips' }, 'The wheel drive slips.'),
  complaint('short-throw', 'Throws short', { observation: 'throw', outcome: 'short' }, 'It throws short.'),
  complaint('ram-slow', 'Ram slow', { observation: 'ram', outcome: 'slow' }, 'The ram is slow.'),
  complaint('ram-weak', 'Ram has no force', { observation: 'ram', outcome: 'no-force' }, 'The ram has no force.'),
  complaint(
    'ram-dead',
    'Ram does not move',
    { observation: 'ram', outcome: 'does-not-move' },
    'The ram does not move.',
  ),
  complaint('no-arc', 'No arc', { observation: 'arc', outcome: 'none' }, 'No arc.'),
  complaint('weak-arc', 'Weak arc', { observation: 'arc', outcome: 'weak' }, 'The arc is weak.'),
  complaint(
    'arc-wanders',
    'Arc unsteady',
    { observation: 'arc', outcome: 'unstable' },
    'The arc will not hold steady.',
  ),
];

/** How it ran at the end of the hire, when it did not run well. Offered for every class. */
export const ENDED: readonly Complaint[] = [
  {
    id: 'ended-badly',
    group: 'running',
    words: 'Badly',
    shows: { observation: 'idle', outcome: 'rough' },
    consequence: 'hold',
    sentence: 'It ran badly at the end of the hire.',
    raises: FIND_FAULT,
  },
  {
    id: 'ended-dead',
    group: 'starting',
    words: 'Would not start',
    shows: { observation: 'starting', outcome: 'will-not-fire' },
    consequence: 'hold',
    sentence: 'It would not start at the end of the hire.',
    raises: FIND_FAULT,
  },
];

/** Complaints any engine may earn. */
export const ENGINE_COMPLAINTS: readonly string[] = [
  'hard-to-start',
  'fires-then-dies',
  'will-not-fire',
  'will-not-turn',
  'only-on-choke',
  'dies-in-two',
  'dies-in-ten',
  'dies-warm',
  'hunts',
  'rough',
  'no-idle',
  'bogs',
  'dies-on-load',
  'pops',
  'black-smoke',
  'blue-smoke',
  'white-smoke',
  'kicks-back',
  'smelt-fuel',
  'rope-locked',
  'comes-and-goes',
];
