import type { Observation, ObservationId, SameFact, SetUp, SetUpId, Tool, ToolId } from '../shapes';
import { DRIVE } from './drive';
import { ELECTRICS } from './electrics';
import { HYDRAULICS } from './hydraulics';
import { LOOKS } from './looks';
import { OPENED } from './opened';
import { SEEN_AS } from './seenAs';
import { COMPLAINT_OBSERVATIONS } from './complaints';
import { WASHER_PUMP } from './washerPump';
import { WITH_TOOLS } from './withTools';

/**
 * The fault-finding vocabulary: what can be told, seen or measured, and the outcomes it may have.
 * The first outcome is the healthy one. Ids are fixed and never reused. The healthy shares are judgement.
 */
export const OBSERVATIONS: { readonly [O in ObservationId]: Observation<O> } = {
  ...COMPLAINT_OBSERVATIONS,
  ...LOOKS,
  ...WITH_TOOLS,
  ...OPENED,
  ...WASHER_PUMP,
  ...ELECTRICS,
  ...DRIVE,
  ...HYDRAULICS,
};
export const isObservationId = (text: string): text is ObservationId => Object.hasOwn(OBSERVATIONS, text);

/** What must be off before a hand gets there, with its minutes (judgement). */
export const SET_UPS: Readonly<Record<SetUpId, SetUp>> = {
  'plug-out': {
    words: 'Plug out',
    minutes: 3,
    takesOff: { what: 'Plug lead and plug', system: 'electric', keys: ['plug', 'plug-lead'] },
  },
  'hose-off': {
    words: 'Fuel hose off the carburettor',
    minutes: 3,
    takesOff: { what: 'Fuel hose', system: 'fuel', keys: ['fuel-hose'] },
  },
  'connector-off': {
    words: 'Inlet connector pulled, on the bench',
    minutes: 12,
    takesOff: { what: 'Inlet connector', system: 'fuel', keys: ['inlet-connector'] },
  },
  'bowl-off': { words: 'Bowl off', minutes: 5, takesOff: { what: 'Bowl', system: 'fuel', keys: ['bowl'] } },
  'carb-off': {
    words: 'Carburettor off',
    minutes: 14,
    takesOff: { what: 'Carburettor', system: 'fuel', keys: ['carburettor'] },
  },
  'cowl-off': {
    words: 'Blower housing off',
    minutes: 9,
    takesOff: { what: 'Blower housing with the starter', system: 'guard', keys: ['housing', 'shroud'] },
  },
  'flywheel-off': {
    words: 'Flywheel off',
    minutes: 18,
    takesOff: { what: 'Flywheel', system: 'none', keys: ['flywheel'] },
  },
  'valve-cover-off': {
    words: 'Valve cover off',
    minutes: 7,
    takesOff: { what: 'Valve cover and breather', system: 'oil', keys: ['valve-cover'] },
  },
  'head-off': { words: 'Head off', minutes: 35, takesOff: { what: 'Head', system: 'none', keys: ['head'] } },
  'belt-cover-off': {
    words: 'Belt cover off',
    minutes: 5,
    takesOff: { what: 'Belt cover', system: 'guard', keys: ['belt-cover'] },
  },
  'end-cover-off': {
    words: 'End cover off',
    minutes: 8,
    takesOff: { what: 'End cover', system: 'electric', keys: ['end-cover'] },
  },
};

/** Tools that a check may need. Which are at hand is a setting. */
export const TOOLS: Readonly<Record<ToolId, Tool>> = {
  'compression-gauge': { words: 'Compression gauge' },
  'leak-down-set': { words: 'Leak-down set and air line' },
  'gap-tester': { words: 'Adjustable spark-gap tester' },
  'spark-lamp': { words: 'Lamp spark tester' },
  'plug-bench': { words: 'Plug bench' },
  'known-good-plug': { words: 'Known good plug' },
  'feeler-gauges': { words: 'Feeler gauges' },
  multimeter: { words: 'Multimeter' },
  tachometer: { words: 'Tachometer' },
  'bore-camera': { words: 'Bore camera' },
  'hydraulic-gauge': { words: 'Hydraulic gauge' },
  bucket: { words: 'Bucket and watch' },
};

/** Two tellings of one fact count once. */
export const SAME_FACTS: readonly SameFact[] = [
  { first: 'compression-feel', second: 'recoil-feel', outcomes: ['firm-and-even', 'no-resistance', 'locked'] },
  { first: 'starter', second: 'starting', outcomes: ['will-not-turn'] },
];

export { SEEN_AS };
