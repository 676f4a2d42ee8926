import { COMMON_PRACTICE, type ServiceItem } from '../shapes';

const RUN = ['leak', 'short-run'] as const;

/** What any small engine of the fleet wants. */
export const ENGINE_ITEMS: readonly ServiceItem[] = [
  {
    id: 'engine-oil',
    name: 'Engine oil',
    // Its job has the steps of its kind.
    steps: [],
    every: { hours: 50, months: 12 },
    firstHours: 5,
    includes: [],
    work: 'oil-service',
    doneBy: ['oil-in'],
    minutes: 25,
    fluid: 'engine',
    proof: ['leak', 'short-run', 'level'],
    source: COMMON_PRACTICE,
  },
  {
    id: 'pre-filter',
    name: 'Pre-filter',
    steps: [{ title: 'Cover off, the inlet kept clean' }, { title: 'Pre-filter washed and dried, or renewed' }],
    every: { hours: 25 },
    includes: [],
    doneBy: ['air-filter'],
    minutes: 8,
    proof: ['short-run'],
    source: COMMON_PRACTICE,
  },
  {
    id: 'air-filter',
    name: 'Air filter',
    steps: [{ title: 'Box wiped; oil or fuel in it looked for' }, { title: 'Air filter renewed; its seat looked at' }],
    every: { hours: 100, months: 12 },
    includes: ['pre-filter'],
    minutes: 10,
    proof: ['short-run'],
    source: COMMON_PRACTICE,
  },
  {
    id: 'plug',
    name: 'Plug',
    steps: [
      { title: 'Plug out: colour and electrode looked at' },
      { title: 'Gapped by the sheet, or renewed; in by hand, then to its torque', reading: 'plug-gap' },
    ],
    every: { hours: 100, months: 12 },
    includes: [],
    doneBy: ['plug'],
    minutes: 10,
    proof: ['short-run'],
    source: COMMON_PRACTICE,
  },
  {
    id: 'fuel-filter',
    name: 'Fuel filter and screen',
    steps: [
      { title: 'Tap shut, or fuel out', caution: 'fuel-vapour' },
      { title: 'Filter renewed, its arrow with the flow; tank screen looked at', caution: 'fuel-vapour' },
      { title: 'Fuel on: joints dry for a minute', caution: 'fuel-vapour' },
    ],
    every: { hours: 100, months: 12 },
    includes: [],
    minutes: 15,
    proof: RUN,
    source: COMMON_PRACTICE,
  },
  {
    id: 'valve-lash',
    name: 'Valve lash',
    steps: [
      { title: 'Cold; cover off; piston at the top of compression, or past it as the sheet says' },
      { title: 'Both measured, and set by the sheet', reading: 'valve-lash' },
      { title: 'Turned over twice by hand and measured again; cover on with a sound gasket' },
    ],
    every: { hours: 200, months: 24 },
    includes: [],
    minutes: 40,
    proof: RUN,
    source: COMMON_PRACTICE,
  },
  {
    id: 'breather',
    name: 'Breather',
    steps: [
      { title: 'Breather cover off; hose looked at for cracks and kinks' },
      { title: 'Valve clean and closing; cover on with a sound gasket' },
    ],
    every: { hours: 250 },
    includes: [],
    minutes: 20,
    proof: ['short-run'],
    source: COMMON_PRACTICE,
  },
];
