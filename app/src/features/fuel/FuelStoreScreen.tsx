import type { FuelStore } from '@hudrik/core/contracts';
import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useRead, useSigns } from '@/api';
import { Button, Empty, Failure, Loading, Page, Section, useIsWide, Words } from '@/design';
import { AddCanSheet } from './AddCanSheet';
import { CanSheet } from './CanSheet';
import { fuelName, percent, sayKeeps, sayLitres, sayStore } from './sayFuelOf';
import { TankDrawing } from './TankDrawing';

type Can = FuelStore['cans'][number];

/** The fuel shed: cans with what is in them; and each unit's tank, what goes stale first. */
export function FuelStoreScreen() {
  const store = useRead('fuelStore');
  const wide = useIsWide();
  const signs = useSigns();
  const [open, setOpen] = useState<Can | null>(null);
  const [adding, setAdding] = useState(false);
  if (!store.data)
    return store.isError ? (
      <Failure sentence="The fuel store cannot be fetched just now." retry={() => void store.refetch()} />
    ) : (
      <Loading what="the fuel store" />
    );
  const { cans, units } = store.data;
  return (
    <Page wide={wide}>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {sayStore(store.data)}
      </Words>
      <View className={wide ? 'flex-row items-start gap-6' : 'gap-5'}>
        <View className={wide ? 'w-[520px]' : ''}>
          <Section title="Cans and drums" count={cans.length}>
            {cans.length === 0 ? <Empty sentence="No cans yet. Write down what stands in the shed." /> : null}
            {cans.map((can) => (
              <CanCard key={can.id} can={can} {...(signs ? { onOpen: () => setOpen(can) } : {})} />
            ))}
            {signs ? <Button className="self-start" label="Another can" onPress={() => setAdding(true)} /> : null}
          </Section>
        </View>
        <View className="min-w-0 flex-1">
          <Section title="In the tanks" count={units.length}>
            {units.map(({ tag, state, tank }) => (
              <View key={tag} className="flex-row items-baseline gap-3 border-b border-line py-2">
                <Link href={`/u/${tag}`} className="w-[84px] font-stencil text-22 text-ink underline">
                  {tag}
                </Link>
                <Words
                  size={15}
                  face={state?.isStale ? 'strong' : 'text'}
                  tone={state?.isStale ? 'held' : 'ink'}
                  className="min-w-0 flex-1"
                >
                  {state ? sayKeeps(state.staleBy, state.isStale) : ''}
                </Words>
                <Words size={15}>{state ? percent(state.ethanol) : ''}</Words>
                <Words face="figures" size={17}>
                  {`${sayLitres(state?.litres ?? 0)} / ${sayLitres(tank.litres)}`}
                </Words>
              </View>
            ))}
          </Section>
        </View>
      </View>
      {open ? <CanSheet can={open} onClose={() => setOpen(null)} /> : null}
      {adding ? <AddCanSheet onClose={() => setAdding(false)} /> : null}
    </Page>
  );
}

function CanCard({ can, onOpen }: { readonly can: Can; readonly onOpen?: () => void }) {
  const { name, fuel, litres, litresMax, place, staleBy, isStale, wantsCount, treatedAt } = can;
  return (
    <View className="flex-row items-center gap-4 border border-card-edge bg-card p-3">
      <TankDrawing
        litres={litresMax}
        portions={[{ litres: Math.max(litres, 0), isUnknown: false }]}
        isStale={isStale}
      />
      <View className="min-w-0 flex-1 gap-1">
        <Words face="strong">{name}</Words>
        <Words face="figures" size={32}>
          {sayLitres(litres)}
        </Words>
        <Words size={15}>{`${fuelName(fuel)}${treatedAt ? ', with stabiliser' : ''}`}</Words>
        <Words size={15} face={isStale ? 'strong' : 'text'} tone={isStale ? 'held' : 'ink'}>
          {sayKeeps(staleBy, isStale)}
        </Words>
        {place === '' ? null : (
          <Words size={13} tone="ink-soft">
            {place}
          </Words>
        )}
        {wantsCount ? (
          <Words size={15} face="strong" tone="prep">
            More was drawn than was in it: count it.
          </Words>
        ) : null}
      </View>
      {onOpen ? <Button kind="quiet" label="Open" aria-label={`Open ${name}`} onPress={onOpen} /> : null}
    </View>
  );
}
