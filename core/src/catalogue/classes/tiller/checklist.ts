import type { Station } from '../../shapes';
import { CLEAN, DRIVE_GUARD, ENGINE_CHECKS, KILL_SWITCH, TAG_AND_LABELS } from '../../checklists/engine';
import { FUEL_CHECKS } from '../../checklists/fuel';
import { exception, ordinary, safety } from '../../checklists/shorthand';
import { WORK } from './works';

export const STATIONS: readonly [Station, ...Station[]] = [
  { id: 'engine', name: 'Engine', where: 'Dipstick side, cover off the air box', checks: ENGINE_CHECKS },
  { id: 'fuel', name: 'Fuel and exhaust', where: 'Tank, hose, bowl, then the muffler side', checks: FUEL_CHECKS },
  {
    id: 'tines',
    name: 'Tines and gearbox',
    where: 'Engine off, plug lead off, tip it back',
    checks: [
      safety(
        'tine-guards',
        'Tine guards and flap in place',
        [
          exception(
            'missing',
            'Missing or bent in',
            'hold',
            'A tine guard is missing or bent into the tines.',
            WORK['tine-guard'],
          ),
        ],
        { alwaysThere: true, when: 'out', system: 'guard', caution: 'moving-parts', photo: 'wanted' },
      ),
      ordinary(
        'tines',
        'Tines whole, clear of wire and roots',
        [
          exception(
            'wrapped',
            'Wrapped',
            'fix-before-hire',
            'Wire or roots are wound round the tines.',
            WORK['clear-tines'],
          ),
          exception('bent', 'Bent or broken', 'fix-before-hire', 'A tine is bent or broken.', WORK['new-tine']),
        ],
        { alwaysThere: true, caution: 'moving-parts' },
      ),
      ordinary(
        'shear-pin',
        'Shear pins whole',
        [
          exception('broken', 'Broken', 'fix-before-hire', 'A shear pin is broken.', WORK['new-shear-pin'], {
            observation: 'shear-pin',
            outcome: 'broken',
          }),
        ],
        { showsWhenOk: { observation: 'shear-pin', outcome: 'whole' } },
      ),
      ordinary(
        'gearbox',
        'Gearbox oil at the level, seals dry',
        [
          exception('low', 'Low', 'fix-before-hire', 'Gearbox oil is low.', WORK['top-up-gearbox'], {
            observation: 'gearbox',
            outcome: 'low-oil',
          }),
          exception('noisy', 'Noisy or leaking', 'hold', 'The gearbox grinds or leaks.', WORK['open-gearbox'], {
            observation: 'gearbox',
            outcome: 'noisy',
          }),
        ],
        { alwaysThere: true, showsWhenOk: { observation: 'gearbox', outcome: 'good' } },
      ),
    ],
  },
  {
    id: 'drive',
    name: 'Belt and stops',
    where: 'At the handles, engine off, then pull the rope in neutral',
    checks: [
      DRIVE_GUARD,
      safety(
        'neutral',
        'In neutral the tines stay still',
        [
          exception('creeps', 'They turn', 'hold', 'The tines turn in neutral.', WORK['belt-release'], {
            observation: 'tines',
            outcome: 'turn-in-neutral',
          }),
        ],
        {
          alwaysThere: true,
          when: 'out',
          caution: 'moving-parts',
          showsWhenOk: { observation: 'tines', outcome: 'right' },
        },
      ),
      safety(
        'bail',
        'Bail or dead-man stops the tines',
        [
          exception(
            'does-not-stop',
            'Does not stop them',
            'hold',
            'The dead-man does not stop the tines.',
            WORK['dead-man-lever-cable'],
          ),
        ],
        { running: true, caution: 'moving-parts' },
      ),
      ordinary(
        'belt',
        'Belt sound and in line',
        [
          exception('worn', 'Worn', 'fix-before-hire', 'The belt is worn.', WORK['new-belt'], {
            observation: 'belt',
            outcome: 'worn',
          }),
          exception('slipping', 'Slips', 'hold', 'The belt slips.', WORK['belt-tension'], {
            observation: 'belt',
            outcome: 'slipping',
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
      ordinary('wheels', 'Wheels, pins and depth bar sound', [
        exception(
          'damaged',
          'Damaged',
          'fix-before-hire',
          'A wheel, pin or the depth bar is damaged.',
          WORK['wheel-pin-depth-bar'],
        ),
      ]),
      CLEAN,
      TAG_AND_LABELS,
    ],
  },
];
