import { COMMON_PRACTICE, JUDGEMENT, type ServiceItem } from '../shapes';

/** What only some machines have. */
export const PUMP_OIL: ServiceItem = {
  id: 'pump-oil',
  name: 'Pump oil',
  steps: [
    { title: 'Pump oil out; look for water and metal in it' },
    { title: 'New oil to the mark; no drip at the seals' },
  ],
  every: { hours: 500, months: 12 },
  firstHours: 50,
  includes: [],
  minutes: 20,
  fluid: 'pump',
  proof: ['load'],
  source: COMMON_PRACTICE,
};

export const INLET_SCREEN: ServiceItem = {
  id: 'inlet-screen',
  name: 'Water inlet screen',
  steps: [
    { title: 'Water off, pressure let down at the gun', caution: 'high-pressure-water' },
    { title: 'Inlet screen out and rinsed, its seal looked at' },
  ],
  every: { hours: 25 },
  includes: [],
  minutes: 5,
  proof: [],
  source: JUDGEMENT,
};

export const HOSES: ServiceItem = {
  id: 'hoses',
  name: 'Hoses, by age',
  steps: [
    { title: 'Dates read: what is past its age goes' },
    { title: 'Looked at along their length: cracks, bulges, chafing; couplings hold' },
  ],
  every: { months: 12 },
  includes: [],
  minutes: 10,
  proof: [],
  source: JUDGEMENT,
};

export const BELTS: ServiceItem = {
  id: 'belts',
  name: 'Belts',
  steps: [
    { title: 'Guard off; belts looked at for cracks, glaze and fray' },
    { title: 'Tension and line of the pulleys set by the sheet' },
    { title: 'Guard back on', caution: 'moving-parts' },
  ],
  every: { hours: 200, months: 24 },
  includes: [],
  minutes: 25,
  proof: ['short-run'],
  source: COMMON_PRACTICE,
};

export const GEARBOX: ServiceItem = {
  id: 'gearbox',
  name: 'Gearbox oil',
  steps: [
    { title: 'Stood level, plug wiped; level and colour looked at' },
    { title: 'Seals looked at; topped up or renewed by the sheet' },
  ],
  every: { hours: 100, months: 12 },
  includes: [],
  minutes: 15,
  fluid: 'gearbox',
  proof: [],
  source: JUDGEMENT,
};

export const SHEAR_BOLTS: ServiceItem = {
  id: 'shear-bolts',
  name: 'Shear bolts',
  steps: [
    { title: 'Bolts looked at: the right ones, and the shaft turns free without them' },
    { title: 'Spares counted: as many as the machine has' },
  ],
  every: { hours: 25, months: 12 },
  includes: [],
  minutes: 8,
  proof: [],
  source: JUDGEMENT,
};

export const FRICTION_DISC: ServiceItem = {
  id: 'friction-disc',
  name: 'Friction disc',
  steps: [
    { title: 'Disc measured: thickness, cracks, oil on it' },
    { title: 'Cable set by the sheet: it lets go when the lever does' },
  ],
  every: { hours: 100, months: 12 },
  includes: [],
  minutes: 20,
  proof: ['short-run'],
  source: JUDGEMENT,
};

export const HYDRAULIC_FILTER: ServiceItem = {
  id: 'hydraulic-filter',
  name: 'Hydraulic filter',
  steps: [
    { title: 'Ram in, engine off, pressure let down', caution: 'hydraulic-injection' },
    { title: 'Filter renewed, its seal oiled' },
    { title: 'Run through twice: joints dry, level at the mark', caution: 'hydraulic-injection' },
  ],
  every: { hours: 150 },
  firstHours: 25,
  includes: [],
  minutes: 20,
  skill: 'hydraulics',
  proof: ['load'],
  source: COMMON_PRACTICE,
};

export const HYDRAULIC_FLUID: ServiceItem = {
  id: 'hydraulic-fluid',
  name: 'Hydraulic fluid',
  steps: [
    { title: 'Ram in, engine off; fluid out, looked at for water and metal', caution: 'hydraulic-injection' },
    { title: 'Tank and suction screen clean' },
    { title: 'New fluid of the sheet’s grade to the mark' },
    { title: 'Cylinder run through twice, level looked at again', caution: 'hydraulic-injection' },
  ],
  every: { months: 12 },
  includes: ['hydraulic-filter'],
  minutes: 45,
  fluid: 'hydraulic',
  skill: 'hydraulics',
  proof: ['load'],
  source: COMMON_PRACTICE,
};

export const BATTERY: ServiceItem = {
  id: 'battery-care',
  name: 'Battery',
  steps: [
    { title: 'Terminals clean and tight', caution: 'battery' },
    { title: 'Rest volts measured', caution: 'battery', reading: 'battery' },
    { title: 'Charged where its volts ask for it', caution: 'battery' },
  ],
  every: { months: 1 },
  includes: [],
  minutes: 10,
  proof: [],
  source: COMMON_PRACTICE,
};

export const LOAD_TRANSFER: ServiceItem = {
  id: 'load-transfer',
  name: 'Exercise run under load',
  runs: true,
  steps: [
    { title: 'Outdoors, nothing of the house on it', caution: 'carbon-monoxide' },
    { title: 'Run under load until it is warm through' },
    { title: 'Volts and speed read under that load' },
  ],
  every: { months: 1 },
  includes: [],
  minutes: 20,
  skill: 'electrical',
  proof: ['load'],
  source: COMMON_PRACTICE,
};

export const BRUSHES: ServiceItem = {
  id: 'brushes',
  name: 'Brushes and rings',
  steps: [
    { title: 'Cover off; each brush measured against the sheet' },
    { title: 'Rings looked at and wiped; springs press evenly' },
    { title: 'Cover on, nothing rubs' },
  ],
  every: { hours: 200, months: 24 },
  includes: [],
  minutes: 30,
  skill: 'electrical',
  proof: ['load'],
  source: JUDGEMENT,
};

export const SOCKETS: ServiceItem = {
  id: 'socket-test',
  name: 'Sockets and earth test',
  steps: [
    { title: 'Sockets and covers looked at: burnt, loose, cracked' },
    { title: 'Breaker and residual current device tried', caution: 'electric-shock' },
    { title: 'Earth measured by a person competent for it', caution: 'electric-shock' },
  ],
  every: { months: 12 },
  includes: [],
  minutes: 15,
  skill: 'electrical',
  proof: [],
  source: JUDGEMENT,
};

export const WELDING_LEADS: ServiceItem = {
  id: 'welding-leads',
  name: 'Welding leads',
  steps: [
    { title: 'Leads looked at along their length: cuts, bare copper' },
    { title: 'Holder, clamp and plugs tight, without marks of heat' },
  ],
  every: { months: 6 },
  includes: [],
  minutes: 10,
  proof: [],
  source: JUDGEMENT,
};
