import type { Station } from '../../shapes';
import { CLEAN, DRIVE_GUARD, ENGINE_CHECKS, KILL_SWITCH, TAG_AND_LABELS } from '../../checklists/engine';
import { FUEL_CHECKS } from '../../checklists/fuel';
import { exception, ordinary, safety } from '../../checklists/shorthand';
import { WORK } from './works';

export const STATIONS: readonly [Station, ...Station[]] = [
  { id: 'engine', name: 'Engine', where: 'Dipstick side, cover off the air box', checks: ENGINE_CHECKS },
  { id: 'fuel', name: 'Fuel and exhaust', where: 'Tank, hose, bowl, then the muffler side', checks: FUEL_CHECKS },
  {
    id: 'pump',
    name: 'Pump',
    where: 'Kneel at the pump, water side',
    checks: [
      DRIVE_GUARD,
      ordinary(
        'inlet-screen',
        'Inlet screen clean, washer in place',
        [
          exception(
            'blocked',
            'Blocked',
            'fix-before-hire',
            'The water inlet screen is blocked.',
            WORK['clean-inlet-screen'],
            { observation: 'pump-inlet', outcome: 'blocked' },
          ),
          exception(
            'draws-air',
            'Draws air',
            'fix-before-hire',
            'The inlet draws air: washer or fitting.',
            WORK['new-inlet-washer'],
            { observation: 'pump-inlet', outcome: 'draws-air' },
          ),
        ],
        { alwaysThere: true, showsWhenOk: { observation: 'pump-inlet', outcome: 'clean' } },
      ),
      ordinary(
        'pump-oil',
        'Pump oil clear, at the mark',
        [
          exception('milky', 'Milky', 'hold', 'Pump oil is milky: water past the seals.', WORK['pump-seals'], {
            observation: 'pump-oil',
            outcome: 'milky',
          }),
          exception('low', 'Low', 'fix-before-hire', 'Pump oil is low.', WORK['top-up-pump-oil'], {
            observation: 'pump-oil',
            outcome: 'low',
          }),
        ],
        { alwaysThere: true, showsWhenOk: { observation: 'pump-oil', outcome: 'clean' } },
      ),
      ordinary(
        'pump-dry',
        'Not run dry, no drips under the pump',
        [
          exception('weeps', 'Weeps', 'fix-before-hire', 'The pump weeps.', WORK['look-at-pump-seals'], {
            observation: 'pump-leak',
            outcome: 'weeps',
          }),
          exception(
            'run-dry',
            'Was run dry',
            'hold',
            'The pump was run without water.',
            WORK['open-pump-seals-valves'],
          ),
        ],
        { alwaysThere: true, showsWhenOk: { observation: 'pump-leak', outcome: 'none' } },
      ),
      ordinary(
        'unloader',
        'Unloader shifts when the gun is let go',
        [
          exception('stuck', 'Stuck', 'hold', 'The unloader is stuck.', WORK['unloader'], {
            observation: 'unloader',
            outcome: 'stuck',
          }),
        ],
        {
          alwaysThere: true,
          running: true,
          caution: 'high-pressure-water',
          showsWhenOk: { observation: 'unloader', outcome: 'shifts' },
        },
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
            WORK['new-high-pressure-hose'],
          ),
        ],
        { alwaysThere: true, when: 'out', caution: 'high-pressure-water', photo: 'wanted', leastSeconds: 5 },
      ),
      safety(
        'gun',
        'Gun shuts off, lock holds',
        [
          exception('does-not-shut', 'Does not shut off', 'hold', 'The gun does not shut off.', WORK['new-gun']),
          exception('lock', 'Lock does not hold', 'hold', 'The gun’s lock does not hold.', WORK['new-gun']),
        ],
        { alwaysThere: true, when: 'out', caution: 'high-pressure-water' },
      ),
      ordinary(
        'nozzles',
        'Nozzles clear and not worn',
        [
          exception('worn', 'Worn', 'fix-before-hire', 'A nozzle is worn.', WORK['new-nozzle']),
          exception('blocked', 'Blocked', 'fix-before-hire', 'A nozzle is blocked.', WORK['clear-nozzle']),
        ],
        { alwaysThere: true },
      ),
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
          WORK['wheel-handle-pin'],
        ),
      ]),
      CLEAN,
      TAG_AND_LABELS,
    ],
  },
];
