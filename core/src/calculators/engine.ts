import { COMMON_PRACTICE, fromMemory, judgement, OBSERVATIONS, published } from '../catalogue';
import {
  asSixCellsAt25,
  bandOf,
  bandReading,
  BATTERY_LOW,
  batteryFullPercent,
  leakDownPercent,
  pressureAtKPa,
  toStandardAir,
} from '../readings';
import { entriesOf } from '../typed';
import type { Calculator, Option } from './shape';
import { NIST } from './sources';

/** Where a leak hisses, and what leaks then: none first. */
const HISSES = entriesOf(OBSERVATIONS['leak-place'].outcomes);
const HISS_OPTIONS: readonly Option[] = HISSES.map(([, [words]], value) => ({ value, words }));

export const LEAK_DOWN: Calculator = {
  id: 'leak-down',
  name: 'Leak-down',
  does: 'What a cylinder loses of the air put in',
  asks: [
    { id: 'supply', label: 'Supply', unit: 'psi', usual: 80 },
    { id: 'cylinder', label: 'Cylinder holds', unit: 'psi', usual: 72 },
    { id: 'hiss', label: 'Where it hisses', unit: '', usual: 0, options: HISS_OPTIONS },
  ],
  isOfModel: true,
  gives: ({ supply = 0, cylinder = 0, hiss = 0 }, { limits }) => {
    if (supply <= 0 || cylinder > supply) return null;
    const lost = leakDownPercent(supply, cylinder);
    const { leakDownPercent: bands } = limits;
    const outcome = bandOf(lost, bands);
    const [place, [, , part = '']] = HISSES[hiss] ?? ['none', ['', 0, '']];
    const from = place === 'none' ? 'listen where it goes.' : `it goes by: ${part.toLowerCase()}`;
    return [
      {
        id: 'lost',
        label: 'Lost',
        value: lost,
        unit: '%',
        sentence: outcome === 'good' ? 'Good.' : outcome === 'worn' ? `Worn: ${from}` : `Failed: ${from}`,
        source: bands.source,
      },
    ];
  },
  formula: '(supply − cylinder) ÷ supply',
  sources: [COMMON_PRACTICE, published('FAA AC 43.13-1B', 'chapter 8: differential pressure check at 80 psi')],
  worked: { given: { supply: 40, cylinder: 20, hiss: 3 }, gives: { lost: 50 } },
};

const BAND_WORD: Readonly<Record<string, string>> = {
  strong: 'Strong.',
  acceptable: 'Good enough, some wear.',
  worn: 'Doubtful: worn, a valve, or the gauge. A spoon of oil tells which.',
  failed: 'Failed: badly worn, or a valve open.',
};

export const COMPRESSION: Calculator = {
  id: 'compression',
  name: 'Compression',
  does: 'What a gauge says of an engine, by how it was turned, in the air of the yard',
  asks: [
    { id: 'gauge', label: 'Gauge', unit: 'psi', usual: 90 },
    {
      id: 'way',
      label: 'How it was turned',
      unit: '',
      usual: 0,
      options: [
        { value: 0, words: 'By rope or starter, with a release' },
        { value: 1, words: 'By drill, past the release' },
        { value: 2, words: 'It has no release' },
      ],
    },
    { id: 'height', label: 'Height of the yard', unit: 'm', usual: 0, isSigned: true },
    { id: 'air', label: 'Air', unit: '°C', usual: 15, isSigned: true },
  ],
  isOfModel: true,
  gives: ({ gauge = 0, way = 0, height = 0, air = 15 }, { limits }) => {
    if (height > 6000 || height < -500 || air < -60 || air > 70) return null;
    const bands = way === 0 ? limits.compressionByRelease : limits.compressionFree;
    const { byPressure, byDensity } = toStandardAir(gauge, height, air);
    const [outcome, other] = [bandOf(byPressure, bands), bandOf(byDensity, bands)];
    const doubt =
      outcome === other ? '' : ` By the density of this air it would be “${other}”: measure again at a mild hour.`;
    return [
      {
        id: 'seaLevel',
        label: 'At sea level',
        value: byPressure,
        unit: 'psi',
        sentence: `${BAND_WORD[outcome] ?? ''}${doubt}`,
        source: bands.source,
      },
      { id: 'byDensity', label: 'By the density of the air', value: byDensity, unit: 'psi' },
      { id: 'airPressure', label: 'Air pressure there', value: pressureAtKPa(height), unit: 'kPa' },
      { id: 'strong', label: 'Strong from', value: bands.steps.at(-1)?.from ?? 0, unit: 'psi' },
      { id: 'goodEnough', label: 'Good enough from', value: bands.steps.at(-2)?.from ?? 0, unit: 'psi' },
    ];
  },
  formula: 'gauge × 101.325 ÷ p(height); by density × (273.15 + air) ÷ 288.15 too',
  sources: [
    COMMON_PRACTICE,
    published('ISO 2533:1975', 'standard atmosphere, troposphere'),
    judgement('how much the temperature of the air counts, so both ends are shown'),
  ],
  worked: { given: { gauge: 90, way: 0, height: 1000, air: 15 }, gives: { airPressure: 89.87, seaLevel: 101.47 } },
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
  sources: [COMMON_PRACTICE, NIST],
  worked: { given: { fuel: 1, ratio: 50 }, gives: { ounces: 2.56, millilitres: 75.708 } },
};

export const ETHANOL_BY_SHAKE: Calculator = {
  id: 'ethanol-by-shake',
  name: 'Ethanol by water shake',
  does: 'How much ethanol is in the fuel',
  tube: { fuel: 'fuel', grown: 'growth' },
  asks: [
    { id: 'growth', label: 'Growth of the water layer', unit: 'mL', usual: 9 },
    { id: 'fuel', label: 'Fuel put in', unit: 'mL', usual: 90 },
  ],
  gives: ({ growth = 0, fuel = 0 }) =>
    fuel <= 0 || growth > fuel ? null : [{ id: 'ethanol', label: 'Ethanol', value: (growth / fuel) * 100, unit: '%' }],
  formula: 'growth of the water layer ÷ fuel',
  sources: [COMMON_PRACTICE],
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
  sources: [published('ISO 2533:1975', 'standard atmosphere, troposphere'), COMMON_PRACTICE],
  worked: { given: { ratio: 8, height: 0 }, gives: { from: 163.5, to: 204.7 } },
};

export const BATTERY_STATE: Calculator = {
  id: 'battery-state',
  name: 'Battery by rest volts',
  does: 'How full a lead battery is after an hour’s rest',
  asks: [
    { id: 'volts', label: 'Rest volts', unit: 'V', usual: 12.5 },
    {
      id: 'nominal',
      label: 'Battery',
      unit: 'V',
      usual: 12,
      options: [
        { value: 12, words: '12 V' },
        { value: 24, words: '24 V' },
      ],
    },
    { id: 'temperature', label: 'Temperature', unit: '°C', usual: 25, isSigned: true },
  ],
  isOfModel: true,
  gives: ({ volts = 0, nominal = 12, temperature = 25 }, { limits }) => {
    const banded = bandReading('battery', { value: volts, unit: 'V', nominal, temperature }, limits, { engine: {} });
    if (!banded.ok || volts > nominal * 1.3 || temperature < -60 || temperature > 80) return null;
    const full = batteryFullPercent(asSixCellsAt25(volts, temperature, nominal));
    const empty = full < BATTERY_LOW.value ? 'Weak: charge it, then load it: it may not hold.' : 'Weak: charge it.';
    const isSuspect = volts > 0 && nominal === 24 && volts < 15;
    return [
      {
        id: 'full',
        label: 'Full',
        value: full,
        unit: '%',
        sentence: `${banded.outcome === 'good' ? 'Good.' : empty}${isSuspect ? ' Is it one of 12 V?' : ''}`,
        source: banded.bands.source,
      },
      { id: 'at25', label: 'As six cells at 25 °C', value: banded.value, unit: 'V' },
    ];
  },
  formula: '(volts × 12 ÷ nominal + (25 − °C) × 0.0024 − 11.8) ÷ 0.9',
  sources: [COMMON_PRACTICE, fromMemory('Coefficient of cold of a flooded lead battery')],
  worked: { given: { volts: 24.5, nominal: 24, temperature: 25 }, gives: { full: 50, at25: 12.25 } },
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
  sources: [COMMON_PRACTICE, NIST],
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
  sources: [judgement('that ethanol and petrol shrink a little together is left out')],
  worked: { given: { there: 4, thereEthanol: 10, added: 6, addedEthanol: 0 }, gives: { ethanol: 4 } },
};
