import { COMMON_PRACTICE, published, type Station } from '../../shapes';
import { CLEAN, CORDS, ENGINE_CHECKS, KILL_SWITCH, TAG_AND_LABELS } from '../../checklists/engine';
import { FUEL_CHECKS } from '../../checklists/fuel';
import { FIND_FAULT } from '../../checklists/findFault';
import { exception, ordinary, safety } from '../../checklists/shorthand';
import { WORK } from './works';

/** What a socket of 120 V should give. */
const SERVICE_VOLTAGE = published('ANSI C84.1', 'service voltage, range A: 120 V within 5 % (from memory)');

export const STATIONS: readonly [Station, ...Station[]] = [
  { id: 'engine', name: 'Engine', where: 'Dipstick side, cover off the air box', checks: ENGINE_CHECKS },
  { id: 'fuel', name: 'Fuel and exhaust', where: 'Tank, hose, bowl, then the muffler side', checks: FUEL_CHECKS },
  {
    id: 'panel',
    name: 'Panel',
    where: 'Facing the sockets, engine stopped',
    checks: [
      CORDS,
      safety(
        'sockets',
        'Sockets whole, none burnt or loose',
        [exception('damaged', 'Broken or burnt', 'hold', 'A socket is broken or burnt.', WORK['new-socket'])],
        { alwaysThere: true, when: 'out', system: 'electric', caution: 'electric-shock', photo: 'wanted' },
      ),
      safety(
        'earth',
        'Earth terminal there and tight',
        [
          exception(
            'missing',
            'Missing or loose',
            'hold',
            'The earth terminal is missing or loose.',
            WORK['earth-terminal'],
          ),
        ],
        { alwaysThere: true, system: 'electric', caution: 'electric-shock' },
      ),
      ordinary(
        'breakers',
        'Breakers set, click both ways',
        [
          exception(
            'tripped',
            'Tripped',
            'fix-before-hire',
            'A breaker came back tripped.',
            WORK['set-breaker-run-on-load'],
            { observation: 'breaker', outcome: 'tripped' },
          ),
          exception('will-not-set', 'Will not set', 'hold', 'A breaker will not set.', WORK['new-breaker']),
        ],
        { alwaysThere: true, showsWhenOk: { observation: 'breaker', outcome: 'set' } },
      ),
    ],
  },
  {
    id: 'running',
    name: 'Running',
    where: 'In the open, meter in a socket, no load',
    checks: [
      KILL_SWITCH,
      ordinary(
        'hertz',
        'Frequency right at no load',
        [
          exception('low', 'Low', 'fix-before-hire', 'Frequency is low at no load.', WORK['set-governed-speed'], {
            observation: 'speed',
            outcome: 'low',
          }),
          exception('high', 'High', 'hold', 'Frequency is high: the engine over-speeds.', WORK['governor-speed'], {
            observation: 'speed',
            outcome: 'high',
          }),
        ],
        {
          alwaysThere: true,
          running: true,
          caution: 'carbon-monoxide',
          leastSeconds: 5,
          showsWhenOk: { observation: 'speed', outcome: 'right' },
          measured: {
            dimension: 'frequency',
            unit: 'Hz',
            rating: 'hertz',
            limit: { kind: 'within', min: 59.5, max: 63, source: COMMON_PRACTICE },
            low: 'low',
            high: 'high',
            scale: [55, 66],
          },
        },
      ),
      ordinary(
        'volts',
        'Volts right at a socket',
        [
          exception(
            'low',
            'Low or none',
            'hold',
            'Volts are low.',
            { ...FIND_FAULT, minutes: 40 },
            { observation: 'output', outcome: 'low' },
          ),
          exception(
            'high',
            'High',
            'hold',
            'Volts are high: it can burn what is plugged in.',
            { ...FIND_FAULT, minutes: 40 },
            { observation: 'output', outcome: 'high' },
          ),
        ],
        {
          alwaysThere: true,
          running: true,
          caution: 'electric-shock',
          leastSeconds: 5,
          showsWhenOk: { observation: 'output', outcome: 'right' },
          measured: {
            dimension: 'voltage',
            unit: 'V',
            rating: 'volts',
            limit: { kind: 'within', min: 114, max: 126, source: SERVICE_VOLTAGE },
            low: 'low',
            high: 'high',
            scale: [95, 140],
          },
        },
      ),
    ],
  },
  {
    id: 'frame',
    name: 'Frame and battery',
    where: 'Step back, then the battery side',
    checks: [
      ordinary(
        'battery',
        'Battery terminals tight and clean (where fitted)',
        [
          exception(
            'loose',
            'Loose or furred',
            'fix-before-hire',
            'The battery terminals are loose.',
            WORK['clean-tighten-terminals'],
            { observation: 'battery', outcome: 'loose-terminals' },
          ),
          exception('weak', 'Weak', 'fix-before-hire', 'The battery is weak.', WORK['charge-test-battery'], {
            observation: 'battery',
            outcome: 'weak',
          }),
        ],
        { caution: 'battery', showsWhenOk: { observation: 'battery', outcome: 'good' } },
      ),
      ordinary(
        'frame',
        'Frame, feet, wheels and handles sound',
        [
          exception(
            'damaged',
            'Damaged',
            'fix-before-hire',
            'The frame, a foot or a wheel is damaged.',
            WORK['frame-feet-wheels'],
          ),
        ],
        { alwaysThere: true },
      ),
      CLEAN,
      TAG_AND_LABELS,
    ],
  },
];
