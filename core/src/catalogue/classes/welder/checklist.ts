import { COMMON_PRACTICE, type Station } from '../../shapes';
import { CLEAN, CORDS, ENGINE_CHECKS, KILL_SWITCH, TAG_AND_LABELS } from '../../checklists/engine';
import { FUEL_CHECKS } from '../../checklists/fuel';
import { FIND_FAULT } from '../../checklists/findFault';
import { exception, ordinary, safety } from '../../checklists/shorthand';
import { WORK } from './works';

export const STATIONS: readonly [Station, ...Station[]] = [
  { id: 'engine', name: 'Engine', where: 'Dipstick side, cover off the air box', checks: ENGINE_CHECKS },
  { id: 'fuel', name: 'Fuel and exhaust', where: 'Tank, hose, bowl, then the muffler side', checks: FUEL_CHECKS },
  {
    id: 'leads',
    name: 'Leads',
    where: 'Leads laid out, engine stopped',
    checks: [
      safety(
        'weld-leads',
        'Leads: no bare copper, plugs tight',
        [exception('damaged', 'Bare or burnt', 'hold', 'A welding lead is bare or burnt.', WORK['welding-lead'])],
        {
          alwaysThere: true,
          when: 'out',
          system: 'electric',
          caution: 'electric-shock',
          photo: 'wanted',
          leastSeconds: 5,
        },
      ),
      safety(
        'holder',
        'Electrode holder insulated all round',
        [
          exception(
            'damaged',
            'Cracked or bare',
            'hold',
            'The electrode holder is cracked.',
            WORK['new-electrode-holder'],
          ),
        ],
        { alwaysThere: true, when: 'out', system: 'electric', caution: 'electric-shock' },
      ),
      ordinary(
        'clamp',
        'Ground clamp bites, spring strong',
        [
          exception('weak', 'Weak', 'fix-before-hire', 'The ground clamp does not bite.', WORK['new-ground-clamp'], {
            observation: 'leads-clamp',
            outcome: 'high-drop',
          }),
        ],
        { alwaysThere: true, showsWhenOk: { observation: 'leads-clamp', outcome: 'good' } },
      ),
    ],
  },
  {
    id: 'panel',
    name: 'Panel and output',
    where: 'Facing the panel, in the open, engine running for the reading',
    checks: [
      CORDS,
      safety(
        'sockets',
        'Sockets whole, none burnt or loose',
        [exception('damaged', 'Broken or burnt', 'hold', 'A socket is broken or burnt.', WORK['new-socket'])],
        { system: 'electric', caution: 'electric-shock' },
      ),
      KILL_SWITCH,
      ordinary(
        'duty-plate',
        'Duty-rating plate readable',
        [
          exception(
            'unreadable',
            'Not readable',
            'fix-before-hire',
            'The duty-rating plate cannot be read.',
            WORK['new-duty-rating-plate'],
          ),
        ],
        { alwaysThere: true },
      ),
      ordinary(
        'open-circuit',
        'Open-circuit volts right',
        [
          exception(
            'low',
            'Low or none',
            'hold',
            'Open-circuit volts are low.',
            { ...FIND_FAULT, minutes: 40 },
            { observation: 'arc', outcome: 'weak' },
          ),
          exception('high', 'High', 'hold', 'Open-circuit volts are too high.', { ...FIND_FAULT, minutes: 40 }),
        ],
        {
          alwaysThere: true,
          running: true,
          caution: 'electric-shock',
          leastSeconds: 5,
          measured: {
            dimension: 'voltage',
            unit: 'V',
            rating: 'open-circuit',
            limit: { kind: 'within', min: 60, max: 90, source: COMMON_PRACTICE },
            low: 'low',
            high: 'high',
            scale: [30, 110],
          },
        },
      ),
      ordinary(
        'idle-control',
        'Idle control drops and picks up',
        [
          exception('stuck', 'Stuck', 'fix-before-hire', 'The idle control is stuck.', WORK['idle-control'], {
            observation: 'idle-control',
            outcome: 'stuck',
          }),
        ],
        { running: true, showsWhenOk: { observation: 'idle-control', outcome: 'works' } },
      ),
    ],
  },
  {
    id: 'frame',
    name: 'Frame',
    where: 'Step back, then round the wheels',
    checks: [
      ordinary(
        'frame',
        'Frame, wheels and lifting eye sound',
        [
          exception(
            'damaged',
            'Damaged',
            'fix-before-hire',
            'The frame, a wheel or the lifting eye is damaged.',
            WORK['frame-wheel-lifting-eye'],
          ),
        ],
        { alwaysThere: true },
      ),
      ordinary(
        'battery',
        'Battery terminals tight and clean',
        [
          exception(
            'loose',
            'Loose or furred',
            'fix-before-hire',
            'The battery terminals are loose.',
            WORK['clean-tighten-terminals'],
            { observation: 'battery', outcome: 'loose-terminals' },
          ),
        ],
        { caution: 'battery', showsWhenOk: { observation: 'battery', outcome: 'good' } },
      ),
      CLEAN,
      TAG_AND_LABELS,
    ],
  },
];
