import { judgement } from '../catalogue';
import type { Calculator } from './shape';
import { BY_DEFINITION } from './sources';

export const BELT_RATIO: Calculator = {
  id: 'belt-ratio',
  name: 'Belt ratio',
  does: 'How fast the driven sheave turns',
  asks: [
    { id: 'driver', label: 'Driving sheave', unit: 'in', usual: 2.5 },
    { id: 'driven', label: 'Driven sheave', unit: 'in', usual: 7.5 },
    { id: 'speed', label: 'Engine', unit: 'r/min', usual: 3600 },
  ],
  gives: ({ driver = 0, driven = 0, speed = 0 }) =>
    driver <= 0 || driven <= 0
      ? null
      : [
          { id: 'ratio', label: 'Ratio', value: driven / driver, unit: ': 1' },
          { id: 'turns', label: 'Driven', value: (speed * driver) / driven, unit: 'r/min' },
        ],
  formula: 'driven ÷ driving pitch diameter',
  sources: [judgement('two sheaves share the belt’s speed; slip is left out')],
  worked: { given: { driver: 2.5, driven: 7.5, speed: 3600 }, gives: { ratio: 3, turns: 1200 } },
};

export const BELT_LENGTH: Calculator = {
  id: 'belt-length',
  name: 'Belt length',
  does: 'Pitch length for a centre distance',
  asks: [
    { id: 'centre', label: 'Centre distance', unit: 'in', usual: 12 },
    { id: 'driver', label: 'One sheave', unit: 'in', usual: 2.5 },
    { id: 'driven', label: 'Other sheave', unit: 'in', usual: 7.5 },
  ],
  gives: ({ centre = 0, driver = 0, driven = 0 }) => {
    // Sheaves that would touch have no belt between them.
    if (centre <= (driver + driven) / 2) return null;
    const across = Math.abs(driven - driver) / 2;
    const lean = Math.asin(across / centre);
    return [
      {
        id: 'length',
        label: 'Length',
        value: 2 * Math.sqrt(centre ** 2 - across ** 2) + (Math.PI * (driver + driven)) / 2 + 2 * lean * across,
        unit: 'in',
      },
    ];
  },
  formula: '2 × √(C² − a²) + π ÷ 2 × (D + d) + 2 × a × asin(a ÷ C), a = (D − d) ÷ 2',
  sources: [BY_DEFINITION],
  worked: { given: { centre: 12, driver: 5, driven: 5 }, gives: { length: 39.708 } },
};
