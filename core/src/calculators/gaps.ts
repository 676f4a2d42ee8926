import { COMMON_PRACTICE, GAP_WAYS, type ReadingKind } from '../catalogue';
import { outBy, type ReadingLimits } from '../readings';
import { convertValue } from '../units';
import type { Calculator } from './shape';

interface Gap {
  readonly words: string;
  readonly limit: keyof ReadingLimits;
  readonly kind: ReadingKind;
}

const GAPS: readonly Gap[] = [
  { words: 'Plug', limit: 'plugGapInch', kind: 'plug-gap' },
  { words: 'Coil to magnet', limit: 'airGapInch', kind: 'air-gap' },
  { words: 'Points', limit: 'pointsGapInch', kind: 'points-gap' },
  { words: 'Intake lash', limit: 'lashIntakeInch', kind: 'valve-lash' },
  { words: 'Exhaust lash', limit: 'lashExhaustInch', kind: 'valve-lash' },
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
        sentence: way === 'in' ? 'It is right.' : (GAP_WAYS[chosen.kind]?.[way] ?? ''),
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
