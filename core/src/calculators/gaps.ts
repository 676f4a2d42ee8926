import { COMMON_PRACTICE } from '../catalogue';
import { outBy, type ReadingLimits } from '../readings';
import { convertValue } from '../units';
import type { Calculator } from './shape';

interface Gap {
  readonly words: string;
  readonly limit: keyof ReadingLimits;
  /** Which way to adjust it where it is too small or too large. */
  readonly low: string;
  readonly high: string;
}

const GAPS: readonly Gap[] = [
  { words: 'Plug', limit: 'plugGapInch', low: 'Bend the side electrode out.', high: 'Tap the side electrode in.' },
  {
    words: 'Coil to magnet',
    limit: 'airGapInch',
    low: 'Move the coil out: it must not rub.',
    high: 'Loosen the coil, let the magnet pull it down on the gauge, tighten.',
  },
  {
    words: 'Points',
    limit: 'pointsGapInch',
    low: 'Move the fixed contact away.',
    high: 'Move the fixed contact nearer.',
  },
  {
    words: 'Intake lash',
    limit: 'lashIntakeInch',
    low: 'Back the adjuster off; where nothing adjusts, the stem is shortened square in small steps.',
    high: 'Turn the adjuster in; where nothing adjusts, look for wear of stem, seat or cam.',
  },
  {
    words: 'Exhaust lash',
    limit: 'lashExhaustInch',
    low: 'Back the adjuster off; where nothing adjusts, the stem is shortened square in small steps.',
    high: 'Turn the adjuster in; where nothing adjusts, look for wear of stem, seat or cam.',
  },
];

export const GAP: Calculator = {
  id: 'gap',
  name: 'Gaps and lash',
  does: 'Out by how much, and which way to adjust it',
  asks: [
    { id: 'gap', label: 'Which', unit: '', usual: 0, options: GAPS.map(({ words }, value) => ({ value, words })) },
    { id: 'measured', label: 'Measured', unit: 'in', usual: 0.035 },
  ],
  isOfModel: true,
  gives: ({ gap = 0, measured = 0 }, { limits }) => {
    const chosen = GAPS[gap];
    if (chosen === undefined) return null;
    const bands = limits[chosen.limit];
    const { by, way, from, to } = outBy(measured, bands, 'in-spec');
    return [
      {
        id: 'out',
        label: way === 'in' ? 'In spec' : way === 'low' ? 'Too small by' : 'Too large by',
        value: by,
        unit: 'in',
        sentence: way === 'in' ? 'It is right.' : chosen[way],
        source: bands.source,
      },
      { id: 'outMm', label: 'that is', value: convertValue(by, 'in', 'mm'), unit: 'mm' },
      { id: 'from', label: 'Right from', value: from, unit: 'in' },
      ...(to === null ? [] : [{ id: 'to', label: 'to', value: to, unit: 'in' }]),
    ];
  },
  formula: 'measured − the nearer end of what is right',
  sources: [COMMON_PRACTICE],
  worked: { given: { gap: 0, measured: 0.055 }, gives: { out: 0.0215, outMm: 0.5461 } },
};
