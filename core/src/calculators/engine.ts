import { leakDownPercent, pressureAtKPa, toSeaLevel } from '../readings';
import type { Calculator } from './shape';

export const LEAK_DOWN: Calculator = {
  id: 'leak-down', name: 'Leak-down', does: 'What a cylinder loses of the air put in',
  asks: [{ id: 'supply', label: 'Supply', unit: 'psi', usual: 80 }, { id: 'cylinder', label: 'Cylinder holds', unit: 'psi', usual: 72 }],
  gives: ({ supply = 0, cylinder = 0 }) => {
    if (supply <= 0 || cylinder > supply) return null;
    const lost = leakDownPercent(supply, cylinder);
    return [{ id: 'lost', label: 'Lost', value: lost, unit: '%', says: lost <= 15 ? 'Good.' : lost <= 40 ? 'Worn: listen where it goes.' : 'Failed.' }];
  },
  formula: '(supply − cylinder) ÷ supply', source: 'Bands: common practice. 80 psi in and what is held is the way of FAA AC 43.13-1.',
  worked: { given: { supply: 40, cylinder: 20 }, gives: { lost: 50 } },
};

export const COMPRESSION_BY_HEIGHT: Calculator = {
  id: 'compression-by-height', name: 'Compression at height', does: 'What a gauge reading would be at sea level',
  asks: [{ id: 'gauge', label: 'Gauge', unit: 'psi', usual: 90 }, { id: 'height', label: 'Height of the yard', unit: 'm', usual: 1500 }],
  gives: ({ gauge = 0, height = 0 }) => (height > 6000 ? null : [{ id: 'seaLevel', label: 'At sea level', value: toSeaLevel(gauge, height), unit: 'psi' }, { id: 'air', label: 'Air pressure there', value: pressureAtKPa(height), unit: 'kPa' }]),
  formula: 'gauge × 101.325 ÷ p(height), p = 101.325 × (1 − 2.25577·10⁻⁵ × height)^5.25588', source: 'ISO 2533:1975; that a gauge falls with the air is common practice',
  worked: { given: { gauge: 90, height: 1000 }, gives: { air: 89.87, seaLevel: 101.47 } },
};

export const TWO_STROKE_MIX: Calculator = {
  id: 'two-stroke-mix', name: 'Two-stroke mix', does: 'Oil for a can of fuel',
  asks: [{ id: 'fuel', label: 'Fuel', unit: 'US gal', usual: 1 }, { id: 'ratio', label: 'Fuel to oil', unit: ': 1', usual: 50 }],
  gives: ({ fuel = 0, ratio = 0 }) => (ratio <= 0 ? null : [{ id: 'ounces', label: 'Oil', value: (fuel * 128) / ratio, unit: 'US fl oz' }, { id: 'millilitres', label: 'that is', value: (fuel * 3785.411784) / ratio, unit: 'mL' }]),
  formula: 'fuel ÷ ratio', source: 'Common practice; volumes: NIST SP 811 (2008), Appendix B.8',
  worked: { given: { fuel: 1, ratio: 50 }, gives: { ounces: 2.56, millilitres: 75.708 } },
};

export const ETHANOL_BY_SHAKE: Calculator = {
  id: 'ethanol-by-shake', name: 'Ethanol by water shake', does: 'How much ethanol is in the fuel',
  asks: [{ id: 'growth', label: 'Growth of the water layer', unit: 'mL', usual: 9 }, { id: 'fuel', label: 'Fuel put in', unit: 'mL', usual: 90 }],
  gives: ({ growth = 0, fuel = 0 }) => (fuel <= 0 || growth > fuel ? null : [{ id: 'ethanol', label: 'Ethanol', value: (growth / fuel) * 100, unit: '%' }]),
  formula: 'growth of the water layer ÷ fuel', source: 'Common practice',
  worked: { given: { growth: 9, fuel: 90 }, gives: { ethanol: 10 } },
};
