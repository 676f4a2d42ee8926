import { COMMON_PRACTICE, JUDGEMENT, type ServiceItem } from '../shapes';

/** What only some machines have. */
export const PUMP_OIL: ServiceItem = {
  id: 'pump-oil',
  name: 'Pump oil',
  step: 'Pump oil out, looked at for water, new oil to the mark',
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
  step: 'Inlet screen out and rinsed, its seal looked at',
  every: { hours: 25 },
  includes: [],
  minutes: 5,
  proof: [],
  source: JUDGEMENT,
};

export const HOSES: ServiceItem = {
  id: 'hoses',
  name: 'Hoses, by age',
  step: 'Hoses looked at along their length: cracks, bulges, couplings; dates read',
  every: { months: 12 },
  includes: [],
  minutes: 10,
  proof: [],
  source: JUDGEMENT,
};

export const BELTS: ServiceItem = {
  id: 'belts',
  name: 'Belts',
  step: 'Belts looked at and tensioned, guard back on',
  every: { hours: 200, months: 24 },
  includes: [],
  minutes: 25,
  proof: ['short-run'],
  source: COMMON_PRACTICE,
};

export const GEARBOX: ServiceItem = {
  id: 'gearbox',
  name: 'Gearbox oil',
  step: 'Gearbox level and seals looked at, topped up or renewed',
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
  step: 'Shear bolts looked at and their spares counted',
  every: { hours: 25, months: 12 },
  includes: [],
  minutes: 8,
  proof: [],
  source: JUDGEMENT,
};

export const FRICTION_DISC: ServiceItem = {
  id: 'friction-disc',
  name: 'Friction disc',
  step: 'Friction disc measured, cable set',
  every: { hours: 100, months: 12 },
  includes: [],
  minutes: 20,
  proof: ['short-run'],
  source: JUDGEMENT,
};

export const HYDRAULIC_FILTER: ServiceItem = {
  id: 'hydraulic-filter',
  name: 'Hydraulic filter',
  step: 'Hydraulic filter renewed, level looked at',
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
  step: 'Hydraulic fluid out, new fluid, cylinder run through twice',
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
  step: 'Terminals clean, rest volts measured, charged',
  every: { months: 1 },
  includes: [],
  minutes: 10,
  proof: [],
  source: COMMON_PRACTICE,
};

export const LOAD_TRANSFER: ServiceItem = {
  id: 'load-transfer',
  name: 'Exercise run under load',
  step: 'Run under load, volts and speed read',
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
  step: 'Brushes measured, rings looked at and wiped',
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
  step: 'Sockets, breaker and residual current device tried; earth measured by a person competent for it',
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
  step: 'Leads, holder and clamp looked at along their length',
  every: { months: 6 },
  includes: [],
  minutes: 10,
  proof: [],
  source: JUDGEMENT,
};
