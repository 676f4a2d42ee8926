import { SERVICE_ITEMS } from '@hudrik/core/catalogue';
import type { Waking } from '@hudrik/core/layUp';
import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useRead, useSigns } from '@/api';
import { Button, Words } from '@/design';
import { sayFuelState } from '@/features/fuel';
import { sayAs } from '@/writing';
import { methodName, sayWaking, type Stander } from './sayLayUp';
import { WakeSheet } from './WakeSheet';

/** One that stands: since when, how, what is in it; woken from here. */
export function StandingUnit({ waking }: { readonly waking: Waking<Stander> }) {
  const unit = waking.unit.of;
  const signs = useSigns();
  const { data } = useRead('unitFuel', { params: { tag: unit.tag } });
  const [isWaking, setWaking] = useState(false);
  const { laidUp } = unit;
  if (laidUp === null) return null;
  return (
    <View className="gap-1 border-b border-line py-2">
      <View className="flex-row items-center gap-3">
        <Link href={`/u/${unit.tag}`} className="font-stencil text-22 text-ink underline">
          {unit.tag}
        </Link>
        <Words size={15} className="min-w-0 flex-1">
          {`${Math.round(laidUp.days)} days, since ${sayAs(laidUp.since, 'd MMM yyyy')}`}
        </Words>
        {signs ? (
          <Button kind="quiet" label="Wake it" aria-label={`Wake ${unit.tag}`} onPress={() => setWaking(true)} />
        ) : null}
      </View>
      <Words size={15}>{laidUp.method === null ? 'Nobody wrote down how.' : methodName(laidUp.method)}</Words>
      {data ? (
        <Words
          size={15}
          face={data.state?.isStale ? 'strong' : 'text'}
          tone={data.state?.isStale ? 'held' : 'ink-soft'}
        >
          {sayFuelState(data)}
        </Words>
      ) : null}
      {laidUp.due.length > 0 ? (
        <Words size={15} face="strong" tone="prep">
          {`Due while it stands: ${laidUp.due.map((id) => SERVICE_ITEMS.find((item) => item.id === id)?.name ?? id).join(', ')}.`}
        </Words>
      ) : null}
      <Words size={15} face={waking.lateBy > 0 ? 'strong' : 'text'} tone={waking.lateBy > 0 ? 'held' : 'ink'}>
        {sayWaking(waking)}
      </Words>
      <Words size={15} tone="ink-soft">
        Damp and mice: look once a month.
      </Words>
      {isWaking ? <WakeSheet tag={unit.tag} method={laidUp.method} onClose={() => setWaking(false)} /> : null}
    </View>
  );
}
