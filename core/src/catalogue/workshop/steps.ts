import {
  besidesOf,
  LAY_UP_BESIDES,
  LAY_UP_BESIDES_OF,
  LAY_UP_METHODS,
  workOfLayUp,
  workOfWaking,
  type LayUpMethod,
  type LayUpMethodId,
} from '../layUp';
import { ITEM_OF_WORK } from '../servicePlans';
import type { ClassId, ClockId, JobKind, SetUpId, StepTemplate, TeardownId } from '../shapes';

const MAKE_SAFE: StepTemplate = {
  key: 'make-safe',
  title: 'Engine cool, plug lead off, tap shut, pressure and springs at rest',
  caution: 'moving-parts',
};

/** Steps by the kind of job, where nothing more is known of it. */
export const STEPS_OF_KIND: Readonly<Record<JobKind, readonly StepTemplate[]>> = {
  repair: [MAKE_SAFE],
  service: [
    { key: 'warm', title: 'Run it warm, stop it, plug lead off', caution: 'hot-parts' },
    { key: 'oil-out', title: 'Drain the oil; look for metal and fuel in it' },
    { key: 'oil-in', title: 'New oil of the model’s grade to the mark' },
    { key: 'air-filter', title: 'Clean or renew the air filter' },
    { key: 'plug', title: 'Plug: look, gap, or renew', reading: 'plug-gap' },
    { key: 'grease', title: 'Grease points, cables and fasteners' },
  ],
  prep: [
    { key: 'do', title: 'Do what the job says' },
    { key: 'look', title: 'Look at it as the hirer will' },
  ],
  'lay-up': [
    { key: 'fuel', title: 'Fuel out, or stabilised and run through', caution: 'fuel-vapour' },
    { key: 'bowl', title: 'Bowl dry', caution: 'fuel-vapour' },
    { key: 'cylinder', title: 'A spoon of oil in the cylinder, a few slow pulls, stop on compression' },
    { key: 'clean', title: 'Clean, dry, moving parts greased' },
    { key: 'stand', title: 'Battery off and on its charger; cover that breathes', caution: 'battery' },
  ],
  'wake-up': [
    { key: 'look', title: 'Look for nests, rust and hard hoses' },
    { key: 'oil', title: 'Oil at the mark, and smells of oil' },
    { key: 'fuel', title: 'Fresh fuel', caution: 'fuel-vapour' },
    { key: 'turn', title: 'Turn it slowly by hand before the first pull' },
    { key: 'battery', title: 'Battery: rest volts', reading: 'battery', caution: 'battery' },
  ],
};

/** A service's job makes it safe and does its item. The oil's has its kind's. */
function stepsOfItems(): Readonly<Record<string, readonly StepTemplate[]>> {
  const own = Object.entries(ITEM_OF_WORK).filter(([work]) => work !== 'oil-service');
  return Object.fromEntries(
    own.map(([work, { id, steps, runs }]) => [
      work,
      [
        ...(runs ? [] : [MAKE_SAFE]),
        ...steps.map((step, at) => ({ key: at === steps.length - 1 ? `do-${id}` : `${id}-${at + 1}`, ...step })),
      ],
    ]),
  );
}

/** A lay-up does the fuel by its method, then what its class wants; waking goes by the method too. */
function stepsOfLayUp(): Readonly<Record<string, readonly StepTemplate[]>> {
  const classes = Object.keys(LAY_UP_BESIDES_OF) as ClassId[];
  const methods = Object.values(LAY_UP_METHODS) as readonly LayUpMethod[];
  return Object.fromEntries([
    ...methods.flatMap((method) =>
      classes.map((classId) => [
        workOfLayUp(method.id as LayUpMethodId, classId),
        [
          MAKE_SAFE,
          ...method.steps.map((title, at): StepTemplate => ({ key: `fuel-${at + 1}`, title, caution: 'fuel-vapour' })),
          ...besidesOf(classId, method).map((id): StepTemplate => ({ key: id, title: LAY_UP_BESIDES[id] })),
        ],
      ]),
    ),
    ...methods.map(({ id, wakes }) => [
      workOfWaking(id as LayUpMethodId),
      wakes.map((title, at): StepTemplate => ({ key: `wake-${at + 1}`, title })),
    ]),
  ]);
}

/** Steps of work that checks raise often. What is not here has its kind's. */
export const STEPS_OF_WORK: Readonly<Record<string, readonly StepTemplate[]>> = {
  'drain-fuel': [
    { key: 'drain', title: 'Tank, hose and bowl drained into a can', caution: 'fuel-vapour' },
    { key: 'floor', title: 'Look at the tank’s floor and the pick-up' },
    { key: 'fresh', title: 'Fresh fuel; note how much' },
  ],
  'fuel-in-oil': [
    { key: 'do-not-start', title: 'Do not start it. Oil out', caution: 'do-not-start' },
    {
      key: 'needle',
      title: 'Float needle and seat: look, blow, renew',
      teardown: 'carburettor-off',
      caution: 'fuel-vapour',
    },
    { key: 'drip', title: 'Drip test before the bowl is trusted', clock: 'drip-test' },
    { key: 'oil', title: 'New oil to the mark' },
  ],
  'hydraulic-lock': [
    {
      key: 'plug-out',
      title: 'Plug out, clear the cylinder by slow pulls, away from any spark',
      caution: 'fuel-vapour',
    },
    { key: 'needle', title: 'Float needle and seat', teardown: 'carburettor-off', caution: 'fuel-vapour' },
    { key: 'drip', title: 'Drip test', clock: 'drip-test' },
    { key: 'oil', title: 'New oil to the mark' },
    { key: 'compression', title: 'Compression, after the lock', reading: 'compression' },
  ],
  ...stepsOfItems(),
  ...stepsOfLayUp(),
  'clean-tank': [
    { key: 'out', title: 'Fuel out, tank off, outlet plugged', caution: 'fuel-vapour' },
    { key: 'soak', title: 'Rust remover in', clock: 'tank-soak' },
    { key: 'swill', title: 'Wash, then swill with a little fuel and oil the cap ring', caution: 'fuel-vapour' },
    { key: 'dry', title: 'Dry it open', clock: 'tank-drying' },
  ],
};

/** Keys of the steps of a service's job, by its work: so what is in it is not raised again. */
export const stepsOfService = (work: string): readonly string[] =>
  ((Object.hasOwn(STEPS_OF_WORK, work) ? STEPS_OF_WORK[work] : undefined) ?? STEPS_OF_KIND.service).map(
    (step) => step.key,
  );

/** What has to come off, by set-up, with the teardown that goes with it. */
export const TEARDOWN_OF_SET_UP: Readonly<Partial<Record<SetUpId, TeardownId>>> = {
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
export const CLOCK_OF_FAMILY: Readonly<Record<string, ClockId>> = { 'float-needle': 'drip-test', battery: 'charge' };
