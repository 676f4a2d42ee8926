import { readFigure, readPositive } from '@hudrik/core/figures';
import { openAirGap } from '@hudrik/core/readings';
import { convertValue } from '@hudrik/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { Choice, Field, Page, Words } from '@/design';
import { usePerson } from '@/api';
import { sayFigure } from '@/writing';

/** How wide a tester's gap must be in the open to ask as much of the coil as the plug does in the cylinder. */
export function OpenGapScreen() {
  const { preferences } = usePerson();
  const [unit, setUnit] = useState<'in' | 'mm'>(preferences.units === 'metric' ? 'mm' : 'in');
  const [texts, setTexts] = useState({
    gap: unit === 'in' ? '0.030' : '0.75',
    psi: '110',
    cylinder: '20',
    ambient: '20',
  });
  const set = (name: keyof typeof texts) => (text: string) => setTexts((before) => ({ ...before, [name]: text }));
  const [gap, psi, cylinder, ambient] = [
    readPositive(texts.gap),
    readPositive(texts.psi),
    readFigure(texts.cylinder),
    readFigure(texts.ambient),
  ];
  // The figure that stands there is the same gap in the new unit.
  const turn = (next: 'in' | 'mm') => {
    setUnit(next);
    if (gap !== null && next !== unit) set('gap')(Number(convertValue(gap, unit, next).toPrecision(4)).toString());
  };
  const open =
    gap === null || psi === null || cylinder === null || ambient === null || cylinder < -200 || ambient < -200
      ? null
      : openAirGap({ plugGap: gap, cylinderGaugePsi: psi, cylinderC: cylinder, ambientC: ambient });
  const wrong = (text: string) => (readFigure(text) === null ? 'Enter a number, with at most one point.' : undefined);
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        Open-air gap for a spark tester
      </Words>
      <View className="flex-row items-baseline gap-2" role="status">
        <Words face="figures" size={56}>
          {open === null ? '–' : sayFigure(open, unit === 'in' ? 3 : 1)}
        </Words>
        <Words size={22}>{unit}</Words>
      </View>
      <View className="flex-row gap-2">
        {(['in', 'mm'] as const).map((entry) => (
          <Choice key={entry} className="flex-1" label={entry} on={unit === entry} onPress={() => turn(entry)} />
        ))}
      </View>
      <Field
        label={`Plug gap, ${unit}`}
        value={texts.gap}
        onChangeText={set('gap')}
        inputMode="decimal"
        wrong={wrong(texts.gap)}
      />
      <Field
        label="Cranking pressure, psi by gauge"
        value={texts.psi}
        onChangeText={set('psi')}
        inputMode="decimal"
        wrong={wrong(texts.psi)}
      />
      <Field
        label="Charge in the cylinder, °C"
        value={texts.cylinder}
        onChangeText={set('cylinder')}
        inputMode="text"
        wrong={wrong(texts.cylinder)}
      />
      <Field
        label="Air of the yard, °C"
        value={texts.ambient}
        onChangeText={set('ambient')}
        inputMode="text"
        wrong={wrong(texts.ambient)}
      />
      <Words size={15}>
        Open gap = plug gap × (gauge + 14.7) ÷ 14.7 × absolute temperature of the air ÷ of the charge. Breakdown depends
        on gas density times gap (Paschen, 1889). Worked: 0.030 in at 110 psi, all at room temperature: 0.255 in.
      </Words>
      <Words size={15}>A coil that jumps this gap is proven, and so is its lead. The plug is not.</Words>
    </Page>
  );
}
