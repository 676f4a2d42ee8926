import type { Station } from '../../shapes';
import { CLEAN, DRIVE_GUARD, ENGINE_CHECKS, KILL_SWITCH, TAG_AND_LABELS } from '../../checklists/engine';
import { FUEL_CHECKS } from '../../checklists/fuel';
import { FIND_FAULT } from '../../checklists/findFault';
import { exception, ordinary, safety } from '../../checklists/shorthand';
import { WORK } from './works';

export const STATIONS: readonly [Station, ...Station[]] = [
  { id: 'engine', name: 'Engine', where: 'Dipstick side, heater box open', checks: ENGINE_CHECKS },
  { id: 'fuel', name: 'Fuel and exhaust', where: 'Tank, hose, bowl, then the muffler side', checks: FUEL_CHECKS },
  {
    id: 'auger',
    name: 'Auger and chute',
    where: 'In front, engine off, key out',
    checks: [
      safety(
        'auger-housing',
        'Housing and chute guard in place',
        [
          exception(
            'missing',
            'Missing or torn',
            'hold',
            'A guard of the auger housing or chute is missing.',
            WORK['guard'],
          ),
        ],
        { alwaysThere: true, when: 'out', system: 'guard', caution: 'moving-parts', photo: 'wanted' },
      ),
      ordinary(
        'shear-bolts',
        'Auger and impeller shear bolts whole, right grade',
        [
          exception(
            'broken',
            'Broken',
            'fix-before-hire',
            'A shear bolt is broken.',
            WORK['new-shear-bolt-right-grade'],
            { observation: 'shear-bolts', outcome: 'broken' },
          ),
          exception(
            'wrong-grade',
            'Wrong bolt',
            'hold',
            'A hard bolt stands where a shear bolt belongs.',
            WORK['right-shear-bolts-look-at'],
          ),
        ],
        { alwaysThere: true, caution: 'moving-parts', showsWhenOk: { observation: 'shear-bolts', outcome: 'whole' } },
      ),
      ordinary(
        'scraper-skids',
        'Scraper and skids: metal left, set level',
        [
          exception('worn', 'Worn', 'fix-before-hire', 'The scraper or skids are worn.', WORK['scraper-skids'], {
            observation: 'scraper-skids',
            outcome: 'worn',
          }),
        ],
        { alwaysThere: true, showsWhenOk: { observation: 'scraper-skids', outcome: 'good' } },
      ),
      ordinary(
        'chute',
        'Chute turns freely, clearing tool clipped on',
        [
          exception('stiff', 'Stiff or seized', 'fix-before-hire', 'The chute is stiff.', WORK['free-grease-chute'], {
            observation: 'chute',
            outcome: 'seized',
          }),
        ],
        { alwaysThere: true, showsWhenOk: { observation: 'chute', outcome: 'free' } },
      ),
    ],
  },
  {
    id: 'controls',
    name: 'Controls and drive',
    where: 'At the handles, in the open, nobody in front',
    checks: [
      DRIVE_GUARD,
      safety(
        'dead-man',
        'Dead-man stops the auger within 5 seconds',
        [
          exception(
            'does-not-stop',
            'Does not stop it',
            'hold',
            'The dead-man does not stop the auger.',
            WORK['dead-man-cable-auger-brake'],
          ),
        ],
        { alwaysThere: true, when: 'out', running: true, caution: 'moving-parts', leastSeconds: 6 },
      ),
      ordinary(
        'drive',
        'Drives in every gear, no slip',
        [
          exception('slips', 'Slips', 'fix-before-hire', 'The wheel drive slips.', WORK['friction-disc'], {
            observation: 'travel',
            outcome: 'slips',
          }),
          exception(
            'none',
            'No drive',
            'hold',
            'No wheel drive.',
            { ...FIND_FAULT, minutes: 40 },
            { observation: 'travel', outcome: 'none' },
          ),
        ],
        { alwaysThere: true, running: true, showsWhenOk: { observation: 'travel', outcome: 'drives' } },
      ),
      ordinary(
        'belts',
        'Belts sound, tension right',
        [
          exception('worn', 'Worn', 'fix-before-hire', 'A belt is worn.', WORK['new-belt'], {
            observation: 'belt',
            outcome: 'worn',
          }),
        ],
        { alwaysThere: true, showsWhenOk: { observation: 'belt', outcome: 'good' } },
      ),
    ],
  },
  {
    id: 'frame',
    name: 'Frame and stop',
    where: 'Step back, then the handle side',
    checks: [
      KILL_SWITCH,
      ordinary('tyres', 'Tyres, chains and axle pins sound', [
        exception(
          'damaged',
          'Damaged',
          'fix-before-hire',
          'A tyre, chain or axle pin is damaged.',
          WORK['tyre-chain-pin'],
        ),
      ]),
      CLEAN,
      TAG_AND_LABELS,
    ],
  },
];
