import type { JobKind, StepTemplate } from '../shapes';

/** Raised with any change of what a template says: a card keeps the edition that its steps were laid by. */
export const CARD_EDITION = '2026-11-1';

/** Steps by the kind of job, where nothing more is known of it. */
export const STEPS_OF_KIND: Readonly<Record<JobKind, readonly StepTemplate[]>> = {
  repair: [
    {
      key: 'make-safe',
      says: 'Engine cool, plug lead off, tap shut, pressure and springs at rest',
      caution: 'moving-parts',
    },
  ],
  service: [
    { key: 'warm', says: 'Run it warm, stop it, plug lead off', caution: 'hot-parts' },
    { key: 'oil-out', says: 'Drain the oil; look for metal and fuel in it' },
    { key: 'oil-in', says: 'New oil of the model’s grade to the mark' },
    { key: 'air-filter', says: 'Clean or renew the air filter' },
    { key: 'plug', says: 'Plug: look, gap, or renew', reading: 'plug-gap' },
    { key: 'grease', says: 'Grease points, cables and fasteners' },
  ],
  prep: [
    { key: 'do', says: 'Do what the job says' },
    { key: 'look', says: 'Look at it as the hirer will' },
  ],
  'lay-up': [
    { key: 'fuel', says: 'Fuel out, or stabilised and run through', caution: 'fuel-vapour' },
    { key: 'bowl', says: 'Bowl dry', caution: 'fuel-vapour' },
    { key: 'cylinder', says: 'A spoon of oil in the cylinder, a few slow pulls, stop on compression' },
    { key: 'clean', says: 'Clean, dry, moving parts greased' },
    { key: 'stand', says: 'Battery off and on its charger; cover that breathes', caution: 'battery' },
  ],
  'wake-up': [
    { key: 'look', says: 'Look for nests, rust and hard hoses' },
    { key: 'oil', says: 'Oil at the mark, and smells of oil' },
    { key: 'fuel', says: 'Fresh fuel', caution: 'fuel-vapour' },
    { key: 'turn', says: 'Turn it slowly by hand before the first pull' },
    { key: 'battery', says: 'Battery: rest volts', reading: 'battery', caution: 'battery' },
  ],
};

/** Steps of work that checks raise often. What is not here has its kind's. */
export const STEPS_OF_WORK: Readonly<Record<string, readonly StepTemplate[]>> = {
  'drain-fuel': [
    { key: 'drain', says: 'Tank, hose and bowl drained into a can', caution: 'fuel-vapour' },
    { key: 'floor', says: 'Look at the tank’s floor and the pick-up' },
    { key: 'fresh', says: 'Fresh fuel; note how much' },
  ],
  'fuel-in-oil': [
    { key: 'do-not-start', says: 'Do not start it. Oil out', caution: 'do-not-start' },
    {
      key: 'needle',
      says: 'Float needle and seat: look, blow, renew',
      teardown: 'carburettor-off',
      caution: 'fuel-vapour',
    },
    { key: 'drip', says: 'Drip test before the bowl is trusted', clock: 'drip-test' },
    { key: 'oil', says: 'New oil to the mark' },
  ],
  'hydraulic-lock': [
    {
      key: 'plug-out',
      says: 'Plug out, clear the cylinder by slow pulls, away from any spark',
      caution: 'fuel-vapour',
    },
    { key: 'needle', says: 'Float needle and seat', teardown: 'carburettor-off', caution: 'fuel-vapour' },
    { key: 'drip', says: 'Drip test', clock: 'drip-test' },
    { key: 'oil', says: 'New oil to the mark' },
    { key: 'compression', says: 'Compression, after the lock', reading: 'compression' },
  ],
  'clean-tank': [
    { key: 'out', says: 'Fuel out, tank off, outlet plugged', caution: 'fuel-vapour' },
    { key: 'soak', says: 'Rust remover in', clock: 'tank-soak' },
    { key: 'swill', says: 'Wash, then swill with a little fuel and oil the cap ring', caution: 'fuel-vapour' },
    { key: 'dry', says: 'Dry it open', clock: 'tank-drying' },
  ],
};

/** What has to come off, by set-up, with the teardown that goes with it. */
export const TEARDOWN_OF_SET_UP: Readonly<Record<string, string>> = {
  'carb-off': 'carburettor-off',
  'bowl-off': 'carburettor-off',
  'flywheel-off': 'flywheel-off',
  'head-off': 'head-off',
};

/** What is measured before and after a repair, by the lane of its cause. */
export const READING_OF_FAMILY: Readonly<Record<string, StepTemplate['reading'] & string>> = {
  plug: 'plug-gap',
  coil: 'air-gap',
  flywheel: 'air-gap',
  points: 'points-gap',
  valves: 'valve-lash',
  'rings-and-bore': 'compression',
  'head-gasket': 'compression',
  battery: 'battery',
};

/** Waits that a repair of a family wants. */
export const CLOCK_OF_FAMILY: Readonly<Record<string, string>> = { 'float-needle': 'drip-test', battery: 'charge' };
