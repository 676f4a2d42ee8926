import { View } from 'react-native';
import { usePerson, useRead } from '@/api';
import { Button, Section, Words } from '@/design';
import { fuelName, sayDose } from '@/features/fuel';
import { sayMinutes } from '@/writing';

/** What is laid up now, all together: what of each fluid there must be, and what the store lacks; on paper, and as CSV. */
export function SeasonSheetSection() {
  const { data } = useRead('seasonSheet');
  const { preferences } = usePerson();
  const say = (amount: number): string => sayDose(amount, preferences.units);
  if (data === undefined || data.lines.length === 0) return null;
  const { lines, wants, stabiliserMl, fogMl, minutes } = data;
  return (
    <Section title="The season’s sheet" count={lines.length}>
      <Words>{`${sayMinutes(minutes)} of work; ${say(stabiliserMl / 1000)} of stabiliser by its label, ${say(fogMl / 1000)} of fogging oil.`}</Words>
      {wants.map(({ fuel, litres, inStore }) => (
        <View key={fuel} className="flex-row items-baseline gap-3 border-b border-line py-1">
          <Words className="min-w-0 flex-1">{fuelName(fuel)}</Words>
          <Words face="figures" size={17}>
            {say(litres)}
          </Words>
          <Words size={15} face={litres > inStore ? 'strong' : 'text'} tone={litres > inStore ? 'held' : 'ink'}>
            {litres > inStore ? `buy ${say(litres - inStore)}` : 'in the store'}
          </Words>
        </View>
      ))}
      <View className="no-print flex-row flex-wrap gap-2">
        <Button label="Print the sheet" onPress={() => window.open('/api/lay-up/sheet.pdf', '_blank')} />
        <Button label="Tags to hang on" onPress={() => window.open('/api/lay-up/tags.pdf', '_blank')} />
        <Button label="Take it along (CSV)" onPress={() => window.open('/api/export/lay-up')} />
      </View>
    </Section>
  );
}
