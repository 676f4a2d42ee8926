import type { UnitFuel } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { usePerson, useRead } from '@/api';
import { Button, Card, Section, Words } from '@/design';
import { FuelOutSheet } from './FuelOutSheet';
import { FuelSeenSheet } from './FuelSeenSheet';
import { PourSheet } from './PourSheet';
import { sayFuelState, sayHowSure, sayKeeps, sayLitres } from './sayFuelOf';
import { TankDrawing } from './TankDrawing';
import { TankSheet } from './TankSheet';

/** What is in a unit's tank, where, and until when it keeps; pour in, and take out. */
export function FuelOfUnit({ tag }: { readonly tag: string }) {
  const { data } = useRead('unitFuel', { params: { tag } });
  const { role } = usePerson();
  const [sheet, setSheet] = useState<'pour' | 'out' | 'tank' | 'seen' | null>(null);
  if (data === undefined) return null;
  const { state, tank, portions, bowl } = data;
  return (
    <Section title="Fuel">
      <Card className="flex-row flex-wrap items-center gap-4">
        <TankDrawing litres={tank.litres} portions={portions} isStale={state?.isStale ?? false} bowl={bowl} />
        <View className="min-w-[140px] flex-1 gap-1">
          <Words face="figures" size={32}>
            {`${sayLitres(state?.litres ?? 0)}`}
          </Words>
          <Words size={15} tone="ink-soft">
            {`of ${sayLitres(tank.litres)}, ${tank.isMetal ? 'metal' : 'plastic'}, ${tank.hasTap ? 'with a tap' : 'no tap'}`}
          </Words>
          <Words face="strong" tone={state?.isStale ? 'held' : 'ink'}>
            {sayFuelState(data)}
          </Words>
          <Words size={15}>{`Level: ${sayHowSure(data.level)}.`}</Words>
          {state ? <Words size={15}>{sayKeeps(state.staleBy, state.isStale)}</Words> : null}
          <Overflow of={data} />
        </View>
      </Card>
      <View className="flex-row flex-wrap gap-2">
        <Button className="grow" label="Pour fuel in" onPress={() => setSheet('pour')} />
        <Button className="grow" label="Level seen" onPress={() => setSheet('seen')} />
        {role === 'counter' ? null : (
          <Button className="grow" label="Drain, run dry, treat" onPress={() => setSheet('out')} />
        )}
        {role === 'lead' ? <Button kind="quiet" label="Its tank" onPress={() => setSheet('tank')} /> : null}
      </View>
      {sheet === 'pour' ? <PourSheet fuel={data} onClose={() => setSheet(null)} /> : null}
      {sheet === 'seen' ? <FuelSeenSheet fuel={data} onClose={() => setSheet(null)} /> : null}
      {sheet === 'tank' ? <TankSheet fuel={data} onClose={() => setSheet(null)} /> : null}
      {sheet === 'out' ? <FuelOutSheet fuel={data} onClose={() => setSheet(null)} /> : null}
    </Section>
  );
}

const Overflow = ({ of: { overflowed } }: { readonly of: UnitFuel }) =>
  overflowed < 0.05 ? null : (
    <Words
      size={15}
      tone="prep"
    >{`${sayLitres(overflowed)} more was written down than fits: is the tank’s size right?`}</Words>
  );
