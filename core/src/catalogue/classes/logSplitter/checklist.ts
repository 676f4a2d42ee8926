import type { Station } from '../../shapes';
import { CLEAN, ENGINE_CHECKS, FUEL_CHECKS, KILL_SWITCH, TAG_AND_LABELS } from '../../checklists/engine';
import { exception, ordinary, safety } from '../../checklists/shorthand';

export const STATIONS: readonly [Station, ...Station[]] = [
  { id: 'engine', name: 'Engine', where: 'Dipstick side, cover off the air box', checks: ENGINE_CHECKS },
  { id: 'fuel', name: 'Fuel and exhaust', where: 'Tank, hose, bowl, then the muffler side', checks: FUEL_CHECKS },
  {
    id: 'hydraulics',
    name: 'Hydraulics',
    where: 'Along the hoses with a card in hand, pressure off',
    checks: [
      safety(
        'hydraulic-hoses',
        'Hoses: no bulge, no weep under pressure',
        [
          exception('weeps', 'Weeps', 'hold', 'A hydraulic hose or joint weeps.', 'Hydraulic hose', {
            shows: { observation: 'hydraulic-leak', outcome: 'weeps' },
          }),
          exception(
            'bulges',
            'Bulges or chafed',
            'hold',
            'A hydraulic hose bulges or is chafed to the braid.',
            'Hydraulic hose',
            { work: 'weeps' },
          ),
        ],
        {
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
          exception('low', 'Low', 'fix-before-hire', 'Hydraulic fluid is low.', 'Top up; find where it went', {
            shows: { observation: 'fluid', outcome: 'low' },
          }),
          exception(
            'foams',
            'Milky or foams',
            'hold',
            'Hydraulic fluid foams: air or water in it.',
            'Suction side and fluid',
            { shows: { observation: 'fluid', outcome: 'foams' } },
          ),
        ],
        { showsWhenOk: { observation: 'fluid', outcome: 'right' } },
      ),
      ordinary(
        'ram',
        'Ram out and in: even, no creep',
        [
          exception('slow', 'Slow', 'fix-before-hire', 'The ram is slow.', 'Find the fault', {
            shows: { observation: 'ram', outcome: 'slow' },
            work: 'find-fault',
            kind: 'repair',
          }),
          exception('creeps', 'Creeps', 'hold', 'The ram creeps by itself.', 'Find the fault', {
            shows: { observation: 'ram', outcome: 'creeps' },
            work: 'find-fault',
          }),
        ],
        { caution: 'moving-parts', leastSeconds: 6, showsWhenOk: { observation: 'ram', outcome: 'right' } },
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
            'Control lever and valve',
          ),
        ],
        { caution: 'moving-parts' },
      ),
      ordinary('wedge', 'Wedge and end plate tight, no cracks', [
        exception(
          'loose',
          'Loose',
          'fix-before-hire',
          'The wedge or end plate is loose.',
          'Tighten wedge and end plate',
        ),
        exception(
          'cracked',
          'Cracked',
          'hold',
          'The wedge or beam is cracked.',
          'Weld repair by a qualified welder, or scrap',
          { minutes: 120 },
        ),
      ]),
      ordinary('beam', 'Beam straight, greased', [
        exception('dry', 'Dry', 'fix-before-hire', 'The beam is dry.', 'Grease the beam', { minutes: 5 }),
      ]),
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
          'Coupler and chains',
        ),
      ]),
      ordinary('tyres', 'Tyres up and sound, wheel nuts there', [
        exception('soft', 'Soft', 'fix-before-hire', 'A tyre is soft.', 'Pump up; look for the leak'),
        exception('damaged', 'Damaged', 'hold', 'A tyre or wheel is damaged.', 'New tyre'),
      ]),
      CLEAN,
      TAG_AND_LABELS,
    ],
  },
];
