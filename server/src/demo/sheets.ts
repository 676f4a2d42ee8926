import type { DataSheet } from '@hudrik/core/contracts';

type Sheet = Partial<Omit<DataSheet, 'engine' | 'limits'>>;

/** Data sheets of some of the demo's models: invented figures. */
export const LANTERN_SHEET: Sheet = {
  plug: 'NX-7R, gap 0.028 to 0.031 in',
  torques: [
    {
      what: 'Cylinder head',
      value: 18,
      unit: 'lbf·ft',
      threads: 'dry',
      places: [
        [0, 0],
        [60, 0],
        [0, 70],
        [60, 70],
      ],
      order: [1, 4, 2, 3],
      long: [1, 3],
    },
    { what: 'Flywheel nut', value: 55, unit: 'lbf·ft', threads: 'dry', places: [], order: [], long: [] },
    { what: 'Carburettor studs', value: 80, unit: 'lbf·in', threads: 'dry', places: [], order: [], long: [] },
  ],
  oils: [
    { where: 'Engine', grade: '5W-30', fromC: -30, toC: 5 },
    { where: 'Engine', grade: 'SAE 30', fromC: 5, toC: null },
  ],
  capacities: [
    { what: 'Engine oil', value: 1.1, unit: 'L' },
    { what: 'Fuel tank', value: 6.6, unit: 'US gal' },
  ],
  measures: [
    { name: 'Valve stem', place: 'intake', unit: 'in', from: 2.452, to: 2.464 },
    { name: 'Brush length', place: 'end cover', unit: 'in', from: 0.3, to: null },
  ],
  notes: [{ text: 'Reads about 94 psi by hand when healthy: it has a release.', places: ['finding', 'card'] }],
  parts: [
    { name: 'Float needle', place: 'Carburettor', number: null, count: 1, kit: 'Needle set' },
    { name: 'Needle seat', place: 'Carburettor', number: null, count: 1, kit: 'Needle set' },
    { name: 'Bowl seal', place: 'Carburettor', number: null, count: 1, kit: 'Needle set' },
    { name: 'Bowl nut seal', place: 'Carburettor', number: null, count: 1, kit: 'Needle set' },
    { name: 'Gasket set', place: 'Carburettor', number: 'TV-1180', count: 1, kit: '' },
    { name: 'Carburettor, complete', place: 'Carburettor', number: 'TV-2040', count: 1, kit: '' },
    { name: 'Plug', place: 'Head', number: 'TV-4101', count: 1, kit: 'Service kit' },
    { name: 'Air filter', place: 'Air box', number: 'TV-4450', count: 1, kit: 'Service kit' },
    { name: 'Fuel filter', place: 'Hose', number: 'TV-3301', count: 1, kit: 'Service kit' },
    { name: 'Ignition coil', place: 'Under the cowl', number: 'TV-5003', count: 1, kit: '' },
  ],
};

export const SPATE_SHEET: Sheet = {
  plug: 'NX-6R, gap 0.028 to 0.031 in',
  torques: [
    {
      what: 'Pump head',
      value: 22,
      unit: 'N·m',
      threads: 'oiled',
      places: [],
      order: [1, 5, 3, 7, 2, 6, 4, 8],
      long: [],
    },
  ],
  capacities: [
    { what: 'Engine oil', value: 0.6, unit: 'L' },
    { what: 'Pump oil', value: 350, unit: 'mL' },
  ],
  parts: [
    { name: 'Pump seal set', place: 'Pump', number: 'QW-301', count: 1, kit: '' },
    { name: 'Unloader valve', place: 'Pump', number: 'QW-322', count: 1, kit: '' },
    { name: 'Nozzle, 25 degrees', place: 'Wand', number: 'QW-118', count: 1, kit: '' },
  ],
};

export const FURROW_SHEET: Sheet = {
  measures: [
    { name: 'Belt width', place: 'drive', unit: 'in', from: 0.48, to: 0.52 },
    { name: 'Sheave groove', place: 'engine', unit: 'in', from: 0.5, to: 0.53 },
  ],
  parts: [
    { name: 'Points and condenser', place: 'Under the flywheel', number: 'FB-210', count: 1, kit: '' },
    { name: 'Drive belt', place: 'Drive', number: 'FB-221', count: 1, kit: '' },
  ],
};
