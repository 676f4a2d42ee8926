import type { School } from '../shapes';

/** Three fixed orders that the trade is taught in. What does not belong to the machine is passed over. */
export const SCHOOLS: readonly School[] = [
  {
    id: 'compression-first', words: 'Compression first',
    order: ['compression-feel', 'compression', 'leak-down', 'leak-place', 'spark-set-gap', 'spark-inline', 'kill-wire-off', 'oil-switch-off', 'plug-look', 'plug-gap', 'plug-swapped', 'fuel-put-in', 'magnet-at-top', 'fuel-look', 'flow-at-hose', 'bowl-drain', 'throat-covered', 'air-filter', 'inlet-screen', 'main-jet', 'emulsion-tube', 'needle-blow', 'pilot-jet', 'intake-spray', 'choke-plate', 'linkage', 'muffler', 'cap-vent', 'valve-motion', 'valve-lash', 'compression-wet', 'air-gap', 'points-resistance', 'points-gap', 'flywheel-key', 'battery', 'load-off'],
  },
  {
    id: 'easy-first', words: 'Easy things first',
    order: ['oil-level', 'oil-look', 'fuel-tap', 'kill-switch', 'tank-look', 'fuel-look', 'battery', 'plug-seat', 'air-filter', 'hose', 'fuel-filter', 'choke-plate', 'linkage', 'cap-vent', 'muffler', 'breaker', 'shear-pin', 'shear-bolts', 'fluid', 'water-supply', 'pump-inlet', 'leads-clamp', 'plug-look', 'plug-gap', 'spark-inline', 'spark-set-gap', 'kill-wire-off', 'oil-switch-off', 'plug-swapped', 'fuel-put-in', 'flow-at-hose', 'bowl-drain', 'compression-feel', 'compression', 'throat-covered', 'inlet-screen', 'main-jet', 'emulsion-tube', 'needle-blow', 'pilot-jet', 'leak-down', 'leak-place', 'magnet-at-top', 'valve-motion', 'valve-lash', 'points-resistance', 'points-gap', 'flywheel-key', 'intake-spray'],
  },
  {
    id: 'fuel-first', words: 'Fuel first, on what stood',
    order: ['fuel-look', 'fuel-tap', 'tank-look', 'flow-at-hose', 'bowl-drain', 'hose', 'fuel-filter', 'cap-vent', 'inlet-screen', 'main-jet', 'emulsion-tube', 'bowl-look', 'float', 'needle-blow', 'seat-look', 'pilot-jet', 'fuel-put-in', 'throat-covered', 'choke-plate', 'air-filter', 'kill-switch', 'spark-inline', 'spark-set-gap', 'kill-wire-off', 'oil-switch-off', 'plug-look', 'plug-gap', 'plug-swapped', 'oil-level', 'compression-feel', 'compression', 'leak-down', 'leak-place', 'magnet-at-top', 'valve-motion', 'valve-lash', 'flywheel-key', 'points-resistance', 'points-gap', 'linkage', 'muffler', 'intake-spray', 'battery'],
  },
];
