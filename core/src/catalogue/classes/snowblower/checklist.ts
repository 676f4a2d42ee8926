import type { Station } from '../../shapes';
import { CLEAN, ENGINE_CHECKS, FUEL_CHECKS, KILL_SWITCH, TAG_AND_LABELS } from '../../checklists/engine';
import { exception, ordinary, safety } from '../../checklists/shorthand';

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
            'Guard',
            { minutes: 30 },
          ),
        ],
        { caution: 'moving-parts', photo: 'wanted' },
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
            'New shear bolt of the right grade',
            { shows: { observation: 'shear-bolts', outcome: 'broken' } },
          ),
          exception(
            'wrong-grade',
            'Wrong bolt',
            'hold',
            'A hard bolt stands where a shear bolt belongs.',
            'Right shear bolts; look at the gearbox',
            { minutes: 25 },
          ),
        ],
        { caution: 'moving-parts', showsWhenOk: { observation: 'shear-bolts', outcome: 'whole' } },
      ),
      ordinary(
        'scraper-skids',
        'Scraper and skids: metal left, set level',
        [
          exception('worn', 'Worn', 'fix-before-hire', 'The scraper or skids are worn.', 'Scraper and skids', {
            shows: { observation: 'scraper-skids', outcome: 'worn' },
            minutes: 25,
          }),
        ],
        { showsWhenOk: { observation: 'scraper-skids', outcome: 'good' } },
      ),
      ordinary(
        'chute',
        'Chute turns freely, clearing tool clipped on',
        [
          exception('stiff', 'Stiff or seized', 'fix-before-hire', 'The chute is stiff.', 'Free and grease the chute', {
            shows: { observation: 'chute', outcome: 'seized' },
          }),
        ],
        { showsWhenOk: { observation: 'chute', outcome: 'free' } },
      ),
    ],
  },
  {
    id: 'controls',
    name: 'Controls and drive',
    where: 'At the handles, in the open, nobody in front',
    checks: [
      safety(
        'dead-man',
        'Dead-man stops the auger within 5 seconds',
        [
          exception(
            'does-not-stop',
            'Does not stop it',
            'hold',
            'The dead-man does not stop the auger.',
            'Dead-man cable and auger brake',
          ),
        ],
        { caution: 'moving-parts', leastSeconds: 6 },
      ),
      ordinary(
        'drive',
        'Drives in every gear, no slip',
        [
          exception('slips', 'Slips', 'fix-before-hire', 'The wheel drive slips.', 'Friction disc', {
            shows: { observation: 'travel', outcome: 'slips' },
            minutes: 45,
          }),
          exception('none', 'No drive', 'hold', 'No wheel drive.', 'Find the fault', {
            shows: { observation: 'travel', outcome: 'none' },
            work: 'find-fault',
          }),
        ],
        { showsWhenOk: { observation: 'travel', outcome: 'drives' } },
      ),
      ordinary(
        'belts',
        'Belts sound, tension right',
        [
          exception('worn', 'Worn', 'fix-before-hire', 'A belt is worn.', 'New belt', {
            shows: { observation: 'belt', outcome: 'worn' },
            minutes: 40,
          }),
        ],
        { showsWhenOk: { observation: 'belt', outcome: 'good' } },
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
          'Tyre, chain or pin',
        ),
      ]),
      CLEAN,
      TAG_AND_LABELS,
    ],
  },
];
