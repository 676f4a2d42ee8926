import { FIND_FAULT } from '../checklists/findFault';
import type { Complaint, ComplaintGroup, Consequence } from '../shapes';

/** The told observations by heading; what is not an engine's own is the machine's. */
const GROUP: Readonly<Record<string, ComplaintGroup>> = {
  starting: 'starting', choke: 'starting', starter: 'starting',
  'runs-for': 'running', idle: 'running', 'under-load': 'running', throttle: 'running', intermittent: 'running',
  smoke: 'smoke-and-feel', 'kick-back': 'smoke-and-feel', 'fuel-leak': 'smoke-and-feel', 'recoil-feel': 'smoke-and-feel',
};

const complaint = (id: string, words: string, observation: string, outcome: string, says: string, consequence: Consequence = 'hold'): Complaint => ({
  id,
  group: GROUP[observation] ?? 'machine',
  words,
  shows: { observation, outcome },
  consequence,
  says,
  ...(consequence === 'note' ? {} : { raises: FIND_FAULT }),
});

/** What hirers say, as taps. Each maps to an outcome of the fault-finding vocabulary. */
export const COMPLAINTS: readonly Complaint[] = [
  complaint('hard-to-start', 'Hard to start', 'starting', 'hard', 'It was hard to start.'),
  complaint('fires-then-dies', 'Fires, then dies', 'starting', 'fires-then-dies', 'It fires, then dies.'),
  complaint('will-not-fire', 'Would not fire', 'starting', 'will-not-fire', 'It would not fire at all.'),
  complaint('will-not-turn', 'Would not turn over', 'starting', 'will-not-turn', 'It would not turn over.'),
  complaint('only-on-choke', 'Only runs on choke', 'choke', 'needs-choke', 'It only runs on choke: lean, or low compression.'),
  complaint('dies-in-two', 'Dies within 2 min', 'runs-for', 'under-2-min', 'It runs a minute or two, then dies.'),
  complaint('dies-in-ten', 'Dies after 2 to 10 min', 'runs-for', '2-to-10-min', 'It dies after two to ten minutes.'),
  complaint('dies-warm', 'Dies once warm', 'runs-for', '10-to-30-min', 'It runs ten minutes or more, then dies.'),
  complaint('hunts', 'Revs rise and fall', 'idle', 'hunts', 'The revs hunt up and down.'),
  complaint('rough', 'Runs rough', 'idle', 'rough', 'It runs rough.'),
  complaint('no-idle', 'Will not idle', 'idle', 'will-not-idle', 'It will not idle.'),
  complaint('bogs', 'Bogs under load', 'under-load', 'bogs', 'It bogs down under load.'),
  complaint('dies-on-load', 'Dies under load', 'under-load', 'dies', 'It dies under load.'),
  complaint('pops', 'Pops back', 'throttle', 'pops-back', 'It pops back through the intake.'),
  complaint('black-smoke', 'Black smoke', 'smoke', 'black', 'Black smoke: rich, choke or filter.'),
  complaint('blue-smoke', 'Blue smoke', 'smoke', 'blue', 'Blue smoke: it burns oil.'),
  complaint('white-smoke', 'White smoke', 'smoke', 'white', 'White smoke that did not clear.'),
  complaint('kicks-back', 'Rope kicks back', 'kick-back', 'yes', 'The rope kicks back: timing.'),
  complaint('smelt-fuel', 'Dripped fuel', 'fuel-leak', 'carburettor', 'The hirer saw fuel drip from the carburettor.'),
  complaint('rope-locked', 'Rope locked', 'recoil-feel', 'locked', 'The rope locks: it does not turn.'),
  complaint('starter-dead', 'Key does nothing', 'starter', 'dead', 'The key does nothing.'),
  complaint('comes-and-goes', 'Comes and goes', 'intermittent', 'comes-and-goes', 'The trouble comes and goes: prove it longer.', 'note'),
  complaint('no-pressure', 'No pressure', 'pressure', 'none', 'No pressure at the gun.'),
  complaint('low-pressure', 'Low pressure', 'pressure', 'low', 'Low pressure at the gun.'),
  complaint('pulses', 'Pressure pulses', 'pressure', 'pulses', 'The pressure pulses.'),
  complaint('no-power', 'No power at sockets', 'output', 'none', 'No volts at the sockets.'),
  complaint('low-power', 'Lights dim', 'output', 'low', 'Low volts: lights dim.'),
  complaint('drops-on-load', 'Drops out on load', 'output', 'drops-on-load', 'The volts drop out under load.'),
  complaint('tines-creep', 'Tines turn in neutral', 'tines', 'turn-in-neutral', 'The tines turn in neutral.'),
  complaint('tines-stuck', 'Tines do not turn', 'tines', 'do-not-turn', 'The tines do not turn.'),
  complaint('auger-stuck', 'Auger does not turn', 'auger', 'does-not-turn', 'The auger does not turn.'),
  complaint('auger-stalls', 'Auger stalls', 'auger', 'stalls', 'The auger stalls.'),
  complaint('no-drive', 'Wheels slip or stop', 'travel', 'slips', 'The wheel drive slips.'),
  complaint('short-throw', 'Throws short', 'throw', 'short', 'It throws short.'),
  complaint('ram-slow', 'Ram slow', 'ram', 'slow', 'The ram is slow.'),
  complaint('ram-weak', 'Ram has no force', 'ram', 'no-force', 'The ram has no force.'),
  complaint('ram-dead', 'Ram does not move', 'ram', 'does-not-move', 'The ram does not move.'),
  complaint('no-arc', 'No arc', 'arc', 'none', 'No arc.'),
  complaint('weak-arc', 'Weak arc', 'arc', 'weak', 'The arc is weak.'),
  complaint('arc-wanders', 'Arc unsteady', 'arc', 'unstable', 'The arc will not hold steady.'),
];

/** How it ran at the end of the hire, when it did not run well. Offered for every class. */
export const ENDED: readonly Complaint[] = [
  { id: 'ended-badly', group: 'running', words: 'Badly', shows: { observation: 'idle', outcome: 'rough' }, consequence: 'hold', says: 'It ran badly at the end of the hire.', raises: FIND_FAULT },
  { id: 'ended-dead', group: 'starting', words: 'Would not start', shows: { observation: 'starting', outcome: 'will-not-fire' }, consequence: 'hold', says: 'It would not start at the end of the hire.', raises: FIND_FAULT },
];

/** Complaints any engine may earn. */
export const ENGINE_COMPLAINTS: readonly string[] = [
  'hard-to-start', 'fires-then-dies', 'will-not-fire', 'will-not-turn', 'only-on-choke', 'dies-in-two', 'dies-in-ten', 'dies-warm',
  'hunts', 'rough', 'no-idle', 'bogs', 'dies-on-load', 'pops', 'black-smoke', 'blue-smoke', 'white-smoke', 'kicks-back', 'smelt-fuel',
  'rope-locked', 'comes-and-goes',
];
