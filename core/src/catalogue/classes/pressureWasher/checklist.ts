import type { Station } from '../../shapes';
import { CLEAN, ENGINE_CHECKS, FUEL_CHECKS, KILL_SWITCH, TAG_AND_LABELS } from '../../checklists/engine';
import { exception, ordinary, safety } from '../../checklists/shorthand';

export const STATIONS: readonly [Station, ...Station[]] = [
  { id: 'engine', name: 'Engine', where: 'Dipstick side, cover off the air box', checks: ENGINE_CHECKS },
  { id: 'fuel', name: 'Fuel and exhaust', where: 'Tank, hose, bowl, then the muffler side', checks: FUEL_CHECKS },
  {
    id: 'pump',
    name: 'Pump',
    where: 'Kneel at the pump, water side',
    checks: [
      ordinary(
        'inlet-screen',
        'Inlet screen clean, washer in place',
        [
          exception(
            'blocked',
            'Blocked',
            'fix-before-hire',
            'The water inlet screen is blocked.',
            'Clean the inlet screen',
            { shows: { observation: 'pump-inlet', outcome: 'blocked' } },
          ),
          exception(
            'draws-air',
            'Draws air',
            'fix-before-hire',
            'The inlet draws air: washer or fitting.',
            'New inlet washer',
            { shows: { observation: 'pump-inlet', outcome: 'draws-air' } },
          ),
        ],
        { showsWhenOk: { observation: 'pump-inlet', outcome: 'clean' } },
      ),
      ordinary(
        'pump-oil',
        'Pump oil clear, at the mark',
        [
          exception('milky', 'Milky', 'hold', 'Pump oil is milky: water past the seals.', 'Pump seals', {
            shows: { observation: 'pump-oil', outcome: 'milky' },
            minutes: 90,
          }),
          exception('low', 'Low', 'fix-before-hire', 'Pump oil is low.', 'Top up the pump oil', {
            shows: { observation: 'pump-oil', outcome: 'low' },
          }),
        ],
        { showsWhenOk: { observation: 'pump-oil', outcome: 'clean' } },
      ),
      ordinary(
        'pump-dry',
        'Not run dry, no drips under the pump',
        [
          exception('weeps', 'Weeps', 'fix-before-hire', 'The pump weeps.', 'Look at the pump seals', {
            shows: { observation: 'pump-leak', outcome: 'weeps' },
          }),
          exception(
            'run-dry',
            'Was run dry',
            'hold',
            'The pump was run without water.',
            'Open the pump: seals and valves',
            { minutes: 90 },
          ),
        ],
        { showsWhenOk: { observation: 'pump-leak', outcome: 'none' } },
      ),
      ordinary(
        'unloader',
        'Unloader shifts when the gun is let go',
        [
          exception('stuck', 'Stuck', 'hold', 'The unloader is stuck.', 'Unloader', {
            shows: { observation: 'unloader', outcome: 'stuck' },
          }),
        ],
        { caution: 'high-pressure-water', showsWhenOk: { observation: 'unloader', outcome: 'shifts' } },
      ),
    ],
  },
  {
    id: 'hose',
    name: 'Hose and gun',
    where: 'Walk the hose through your hands, pressure off',
    checks: [
      safety(
        'pressure-hose',
        'High-pressure hose: no cut, crack or bulge',
        [
          exception(
            'damaged',
            'Cut, cracked, bulged',
            'hold',
            'The high-pressure hose is damaged.',
            'New high-pressure hose',
            { minutes: 15 },
          ),
        ],
        { caution: 'high-pressure-water', photo: 'wanted', leastSeconds: 5 },
      ),
      safety(
        'gun',
        'Gun shuts off, lock holds',
        [
          exception('does-not-shut', 'Does not shut off', 'hold', 'The gun does not shut off.', 'New gun', {
            minutes: 10,
          }),
          exception('lock', 'Lock does not hold', 'hold', 'The gun’s lock does not hold.', 'New gun', {
            work: 'does-not-shut',
            minutes: 10,
          }),
        ],
        { caution: 'high-pressure-water' },
      ),
      ordinary('nozzles', 'Nozzles clear and not worn', [
        exception('worn', 'Worn', 'fix-before-hire', 'A nozzle is worn.', 'New nozzle', { minutes: 5 }),
        exception('blocked', 'Blocked', 'fix-before-hire', 'A nozzle is blocked.', 'Clear the nozzle', { minutes: 5 }),
      ]),
    ],
  },
  {
    id: 'frame',
    name: 'Frame and stop',
    where: 'Step back, then the handle side',
    checks: [
      KILL_SWITCH,
      ordinary('wheels', 'Wheels, handle and pins sound', [
        exception(
          'damaged',
          'Damaged',
          'fix-before-hire',
          'A wheel, the handle or a pin is damaged.',
          'Wheel, handle or pin',
        ),
      ]),
      CLEAN,
      TAG_AND_LABELS,
    ],
  },
];
