import { leakDownPercent, pressureAtKPa, toSeaLevel } from '../readings';
import type { Calculator } from './shape';

export const LEAK_DOWN: Calculator = {
  id: 'leak-down',
  name: 'Leak-down',
  does: 'What a cylinder loses of the air put in',
  asks: [
    { id: 'supply', label: 'Supply', unit: 'psi', usual: 80 },
    { id: 'cylinder', label: 'Cylinder holds', unit: 'psi', usual: 72 },
  ],
  gives: ({ supply = 0, cylinder = 0 }) => {
    if (supply <= 0 || cylinder > supply) return null;
    const lost = leakDownPercent(supply, cylinder);
    return [
      {
        id: 'lost',
        label: 'Lost',
        value: lost,
        unit: '%',
        sentence: lost <= 15 ? 'Good.' : lost <= 40 ? 'Worn: listen where it goes.' : 'Failed.',
      },
    ];
  },
  formula: '(supply − cylinder) ÷ supply',
  source: 'Bands: common practice. 80 psi in and what is held is the way of FAA AC 43.13-1.',
  worked: { given: { supply: 40, cylinder: 20 }, gives: { lost: 50 } },
};

export const COMPRESSION_BY_HEIGHT: Calculator = {
  id: 'compression-by-height',
  name: 'Compression at height',
  does: 'What a gauge reading would be at sea level',
  asks: [
    { id: 'gauge', label: 'Gauge', unit: 'psi', usual: 90 },
    { id: 'height', label: 'Height of the yard', unit: 'm', usual: 1500 },
  ],
  gives: ({ gauge = 0, height = 0 }) =>
    height > 6000
      ? null
      : [
          { id: 'seaLevel', label: 'At sea level', value: toSeaLevel(gauge, height), unit: 'psi' },
          { id: 'air', label: 'Air pressure there', value: pressureAtKPa(height), unit: 'kPa' },
        ],
  formula: 'gauge × 101.325 ÷ p(height), p = 101.325 × (1 − 2.25577·10⁻⁵ × height)^5.25588',
  source: 'ISO 2533:1975; that a gauge falls with the air is common practice',
  worked: { given: { gauge: 90, height: 1000 }, gives: { air: 89.87, seaLevel: 101.47 } },
};

export const TWO_STROKE_MIX: Calculator = {
  id: 'two-stroke-mix',
  name: 'Two-stroke mix',
  does: 'Oil for a can of fuel',
  asks: [
    { id: 'fuel', label: 'Fuel', unit: 'US gal', usual: 1 },
    { id: 'ratio', label: 'Fuel to oil', unit: ': 1', usual: 50 },
  ],
  gives: ({ fuel = 0, ratio = 0 }) =>
    ratio <= 0
      ? null
      : [
          { id: 'ounces', label: 'Oil', value: (fuel * 128) / ratio, unit: 'US fl oz' },
          { id: 'millilitres', label: 'that is', value: (fuel * 3785.411784) / ratio, unit: 'mL' },
        ],
  formula: 'fuel ÷ ratio',
  source: 'Common practice; volumes: NIST SP 811 (2008), Appendix B.8',
  worked: { given: { fuel: 1, ratio: 50 }, gives: { ounces: 2.56, millilitres: 75.708 } },
};

export const ETHANOL_BY_SHAKE: Calculator = {
  id: 'ethanol-by-shake',
  name: 'Ethanol by water shake',
  does: 'How much ethanol is in the fuel',
  asks: [
    { id: 'growth', label: 'Growth of the water layer', unit: 'mL', usual: 9 },
    { id: 'fuel', label: 'Fuel put in', unit: 'mL', usual: 90 },
  ],
  gives: ({ growth = 0, fuel = 0 }) =>
    fuel <= 0 || growth > fuel ? null : [{ id: 'ethanol', label: 'Ethanol', value: (growth / fuel) * 100, unit: '%' }],
  formula: 'growth of the water layer ÷ fuel',
  source: 'Common practice',
  worked: { given: { growth: 9, fuel: 90 }, gives: { ethanol: 10 } },
};

/** Compression with the heat that goes into the walls: about 1.2 slow and worn, 1.3 fast and tight (common practice). */
const [SLOW, FAST] = [1.2, 1.3] as const;

export const CRANKING_PRESSURE: Calculator = {
  id: 'cranking-pressure',
  name: 'Cranking pressure',
  does: 'What a gauge should show by the compression ratio',
  asks: [
    { id: 'ratio', label: 'Compression ratio', unit: ': 1', usual: 8 },
    { id: 'height', label: 'Height of the yard', unit: 'm', usual: 0 },
  ],
  gives: ({ ratio = 0, height = 0 }) => {
    if (ratio <= 1 || height > 6000) return null;
    const air = pressureAtKPa(height);
    const gauge = (n: number): number => (air * ratio ** n - air) / 6.894757293168361;
    return [
      { id: 'from', label: 'From', value: gauge(SLOW), unit: 'psi' },
      {
        id: 'to',
        label: 'to',
        value: gauge(FAST),
        unit: 'psi',
        sentence: 'Without release, plug and gauge tight. The ratio is the one from where the valve shuts.',
      },
    ];
  },
  formula: 'p₀ × r^n − p₀, n from 1.2 to 1.3',
  source: 'Polytropic compression; p₀ by ISO 2533:1975; n is common practice',
  worked: { given: { ratio: 8, height: 0 }, gives: { from: 163.5, to: 204.7 } },
};

export const BATTERY_STATE: Calculator = {
  id: 'battery-state',
  name: 'Battery by rest volts',
  does: 'How full a lead battery is after an hour’s rest',
  asks: [
    { id: 'volts', label: 'Rest volts', unit: 'V', usual: 12.5 },
    { id: 'temperature', label: 'Temperature', unit: '°C', usual: 20 },
  ],
  gives: ({ volts = 0, temperature = 0 }) => {
    // Rest volts of six cells: 11.8 empty to 12.7 full at 25 °C, and about 0.024 V less in ten degrees of cold.
    const at25 = volts + ((25 - temperature) / 10) * 0.024;
    const full = Math.min(Math.max(((at25 - 11.8) / 0.9) * 100, 0), 100);
    return [
      {
        id: 'full',
        label: 'Full',
        value: full,
        unit: '%',
        sentence: full < 50 ? 'Charge it, then load it: it may not hold.' : full < 80 ? 'Charge it.' : 'Good.',
      },
    ];
  },
  formula: '(volts at 25 °C − 11.8) ÷ 0.9',
  source: 'Common practice for flooded lead batteries; the coefficient of cold is from memory',
  worked: { given: { volts: 12.25, temperature: 25 }, gives: { full: 50 } },
};

export const STABILISER: Calculator = {
  id: 'stabiliser',
  name: 'Stabiliser',
  does: 'Dose for a tank or a can',
  asks: [
    { id: 'fuel', label: 'Fuel', unit: 'US gal', usual: 2 },
    { id: 'dose', label: 'Dose by its label', unit: 'mL/L', usual: 3 },
  ],
  gives: ({ fuel = 0, dose = 0 }) => [
    { id: 'millilitres', label: 'Stabiliser', value: fuel * 3.785411784 * dose, unit: 'mL' },
    { id: 'ounces', label: 'that is', value: (fuel * 3.785411784 * dose) / 29.5735295625, unit: 'US fl oz' },
  ],
  formula: 'litres × dose',
  source: 'The label’s dose comes first; volumes: NIST SP 811 (2008), Appendix B.8',
  worked: { given: { fuel: 2, dose: 3 }, gives: { millilitres: 22.712 } },
};

export const BLEND: Calculator = {
  id: 'blend',
  name: 'Ethanol of a top-up',
  does: 'What a tank holds after fuel of another kind is poured in',
  asks: [
    { id: 'there', label: 'In the tank', unit: 'L', usual: 4 },
    { id: 'thereEthanol', label: 'its ethanol', unit: '%', usual: 10 },
    { id: 'added', label: 'Poured in', unit: 'L', usual: 6 },
    { id: 'addedEthanol', label: 'its ethanol', unit: '%', usual: 0 },
  ],
  gives: ({ there = 0, thereEthanol = 0, added = 0, addedEthanol = 0 }) =>
    there + added <= 0
      ? null
      : [
          {
            id: 'ethanol',
            label: 'Ethanol',
            value: (there * thereEthanol + added * addedEthanol) / (there + added),
            unit: '%',
          },
        ],
  formula: '(litres × share + litres × share) ÷ litres',
  source: 'Mixing by volume; that ethanol and petrol shrink a little together is left out',
  worked: { given: { there: 4, thereEthanol: 10, added: 6, addedEthanol: 0 }, gives: { ethanol: 4 } },
};
