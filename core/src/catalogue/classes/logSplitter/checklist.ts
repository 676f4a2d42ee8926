import type { Station } from '../../shapes';
import { CLEAN, DRIVE_GUARD, ENGINE_CHECKS, KILL_SWITCH, TAG_AND_LABELS } from '../../checklists/engine';
import { FUEL_CHECKS } from '../../checklists/fuel';
import { FIND_FAULT } from '../../checklists/findFault';
import { exception, ordinary, safety } from '../../checklists/shorthand';
import { WORK } from './works';

export const STATIONS: readonly [Station, ...Station[]] = [
  { id: 'engine', name: 'Engine', where: 'Dipstick side, cover off the air box', checks: ENGINE_CHECKS },
  { id: 'fuel', name: 'Fuel and exhaust', where: 'Tank, hose, bowl, then the muffler side', checks: FUEL_CHECKS },
  {
    id: 'hydraulics',
    name: 'Hydraulics',
    where: 'Along the hoses with a card in hand, pressure off',
    checks: [
      DRIVE_GUARD,
      safety(
        'hydraulic-hoses',
        'Hoses: no bulge, no weep under pressure',
        [
          exception('weeps', 'Weeps', 'hold', 'A hydraulic hose or joint weeps.', WORK['hydraulic-hose'], {
            observation: 'hydraulic-leak',
            outcome: 'weeps',
          }),
          exception(
            'bulges',
            'Bulges or chafed',
            'hold',
            'A hydraulic hose bulges or is chafed to the braid.',
            WORK['hydraulic-hose'],
          ),
        ],
        {
          alwaysThere: true,
          when: 'out',
          system: 'oil',
          caution: 'hydraulic-injection',
          photo: 'wanted',
          leastSeconds: 5,
          showsWhenOk: { observation: 'hydraulic-leak', outcome: 'none' },
        },
      ),
      ordinary(
        'fluid',
        'Fluid at the level, clear',
        [
          exception('low', 'Low', 'fix-before-hire', 'Hydraulic fluid is low.', WORK['top-up-fluid'], {
            observation: 'fluid',
            outcome: 'low',
          }),
          exception(
            'foams',
            'Milky or foams',
            'hold',
            'Hydraulic fluid foams: air or water in it.',
            WORK['suction-side-fluid'],
            { observation: 'fluid', outcome: 'foams' },
          ),
        ],
        { alwaysThere: true, showsWhenOk: { observation: 'fluid', outcome: 'right' } },
      ),
      ordinary(
        'ram',
        'Ram out and in: even, no creep',
        [
          exception(
            'slow',
            'Slow',
            'fix-before-hire',
            'The ram is slow.',
            { ...FIND_FAULT, minutes: 15 },
            { observation: 'ram', outcome: 'slow' },
          ),
          exception(
            'creeps',
            'Creeps',
            'hold',
            'The ram creeps by itself.',
            { ...FIND_FAULT, minutes: 40 },
            { observation: 'ram', outcome: 'creeps' },
          ),
        ],
        {
          alwaysThere: true,
          running: true,
          caution: 'moving-parts',
          leastSeconds: 6,
          showsWhenOk: { observation: 'ram', outcome: 'right' },
        },
      ),
    ],
  },
  {
    id: 'beam',
    name: 'Beam and lever',
    where: 'At the work side, where the hirer stands',
    checks: [
      safety(
        'lever',
        'Two-hand or dead-man lever lets go to stop',
        [
          exception(
            'does-not-stop',
            'Does not stop',
            'hold',
            'The lever does not stop the ram when let go.',
            WORK['control-lever-valve'],
          ),
        ],
        { alwaysThere: true, when: 'out', running: true, caution: 'moving-parts' },
      ),
      ordinary(
        'wedge',
        'Wedge and end plate tight, no cracks',
        [
          exception(
            'loose',
            'Loose',
            'fix-before-hire',
            'The wedge or end plate is loose.',
            WORK['tighten-wedge-end-plate'],
          ),
          exception('cracked', 'Cracked', 'hold', 'The wedge or beam is cracked.', WORK['weld-repair']),
        ],
        { alwaysThere: true },
      ),
      ordinary(
        'beam',
        'Beam straight, greased',
        [exception('dry', 'Dry', 'fix-before-hire', 'The beam is dry.', WORK['grease-beam'])],
        { alwaysThere: true },
      ),
    ],
  },
  {
    id: 'towing',
    name: 'Towing and stop',
    where: 'Round the wheels to the coupler',
    checks: [
      KILL_SWITCH,
      safety('coupler', 'Coupler latches, chains and pin there', [
        exception(
          'damaged',
          'Does not latch',
          'hold',
          'The coupler does not latch, or a chain is missing.',
          WORK['coupler-chains'],
        ),
      ]),
      ordinary('tyres', 'Tyres up and sound, wheel nuts there', [
        exception('soft', 'Soft', 'fix-before-hire', 'A tyre is soft.', WORK['tyre-pressure']),
        exception('damaged', 'Damaged', 'hold', 'A tyre or wheel is damaged.', WORK['new-tyre']),
      ]),
      CLEAN,
      TAG_AND_LABELS,
    ],
  },
];
