import type { Teardown, TeardownId } from '../shapes';

/** Common jobs of taking apart, in the usual order. A finished card teaches its model's own order. */
export const TEARDOWNS: Readonly<Record<TeardownId, Teardown>> = {
  'carburettor-off': {
    name: 'Carburettor off',
    note: 'Tap shut, hose clamped gently. Write the turns down before a screw comes out.',
    things: [
      {
        key: 'air-filter',
        what: 'Air filter and its cover',
        system: 'none',
        fasteners: [{ count: 1, size: 'wing nut', place: 'middle' }],
        asks: ['orientation'],
      },
      {
        key: 'air-box',
        what: 'Air box',
        system: 'none',
        fasteners: [
          { count: 2, size: 'M6 nut', place: 'carburettor studs' },
          { count: 1, size: 'M6 × 20', place: 'bracket' },
        ],
        asks: ['orientation'],
      },
      { key: 'fuel-hose', what: 'Fuel hose', system: 'fuel', asks: ['orientation'], caution: 'fuel-vapour' },
      { key: 'choke-link', what: 'Choke link', system: 'none', asks: ['link-hole', 'orientation'] },
      {
        key: 'governor-link',
        what: 'Governor link and its spring',
        system: 'none',
        asks: ['link-hole', 'orientation'],
      },
      { key: 'carburettor', what: 'Carburettor', system: 'fuel', asks: ['turns'] },
      { key: 'gasket-stack', what: 'Gaskets, insulator and shield', system: 'fuel', asks: ['stack'] },
      {
        key: 'bowl',
        what: 'Bowl',
        system: 'fuel',
        fasteners: [{ count: 1, size: 'bowl nut', place: 'middle' }],
        asks: ['orientation'],
        caution: 'fuel-vapour',
      },
      { key: 'float', what: 'Float, pin and needle', system: 'fuel', asks: ['orientation'] },
    ],
  },
  'flywheel-off': {
    name: 'Flywheel off',
    note: 'Crank locked by rope in the cylinder, on the compression stroke, both valves shut. Never pry fins, never hammer a bare thread.',
    things: [
      { key: 'plug-lead', what: 'Plug lead and plug', system: 'electric', caution: 'moving-parts' },
      {
        key: 'housing',
        what: 'Blower housing with the starter',
        system: 'guard',
        fasteners: [{ count: 4, size: 'M6 × 12', place: 'rim' }],
        asks: ['orientation'],
      },
      { key: 'cup', what: 'Starter cup', system: 'none', asks: ['orientation'] },
      {
        key: 'nut',
        what: 'Flywheel nut and washer',
        system: 'none',
        fasteners: [{ count: 1, size: 'nut', place: 'crank' }],
        asks: ['stack'],
      },
      { key: 'flywheel', what: 'Flywheel', system: 'none', asks: ['orientation'] },
      { key: 'key', what: 'Key', system: 'none', asks: ['orientation'] },
      {
        key: 'coil',
        what: 'Coil',
        system: 'electric',
        fasteners: [{ count: 2, size: 'M6 × 25', place: 'posts' }],
        asks: ['orientation'],
      },
    ],
  },
  'head-off': {
    name: 'Head off',
    note: 'Cold engine. Note which holes take the long bolts and whether threads were dry or oiled.',
    things: [
      { key: 'plug', what: 'Plug lead and plug', system: 'electric' },
      {
        key: 'muffler',
        what: 'Muffler and guard',
        system: 'guard',
        fasteners: [{ count: 2, size: 'M8 nut', place: 'studs' }],
        asks: ['orientation'],
        caution: 'hot-parts',
      },
      {
        key: 'carburettor',
        what: 'Carburettor, hung by its links',
        system: 'fuel',
        asks: ['stack', 'link-hole'],
        caution: 'fuel-vapour',
      },
      {
        key: 'shroud',
        what: 'Cooling shroud',
        system: 'guard',
        fasteners: [{ count: 3, size: 'M6 × 12', place: 'side' }],
      },
      {
        key: 'valve-cover',
        what: 'Valve cover and breather',
        system: 'oil',
        fasteners: [{ count: 4, size: 'M6 × 20', place: 'corners' }],
        asks: ['orientation'],
      },
      { key: 'rockers', what: 'Rockers and push rods', system: 'none', asks: ['stack', 'orientation'] },
      {
        key: 'head-bolts',
        what: 'Head bolts',
        system: 'none',
        fasteners: [{ count: 4, size: 'M8 × 60', place: 'head' }],
        asks: ['turns'],
      },
      { key: 'head', what: 'Head', system: 'none', asks: ['orientation'] },
      { key: 'head-gasket', what: 'Head gasket', system: 'none', asks: ['orientation'] },
    ],
  },
};
