import { router, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useSigns } from '@/api';
import { Button, Card, Choice, DateTimeField, ReadinessMark, Sheet, Words } from '@/design';
import { instantOf, sayAs, sayMinutes } from '@/writing';
import { handsOf, nameOf, plannedOf, sayClock, sayFromTo, sayReady, sayWhy, type BenchVisit } from './sayBench';
import type { BenchHandle } from './useBench';
import type { BenchReply } from '@hudrik/core/contracts';

interface Props {
  readonly bench: BenchReply;
  readonly handle: BenchHandle;
  readonly visit: BenchVisit;
}

/** A visit of the plan: when and by whom, why there, how sure, and its phases. */
export function VisitPanel({ bench, handle, visit }: Props) {
  const [isPlacing, setPlacing] = useState(false);
  const mayPlace = useSigns();
  return (
    <Card className="gap-3">
      <View className="flex-row items-center gap-3">
        <ReadinessMark of={visit.readiness} size={24} />
        <Words face="stencil" size={22} role="heading" aria-level={2}>
          {visit.tag}
        </Words>
        <Words face="figures" size={17} className="ml-auto">
          {sayMinutes(handsOf(bench, visit.id))}
        </Words>
      </View>
      <Words face="strong">{visit.titles.join('; ')}</Words>
      <Words>{sayPlace(bench, visit)}</Words>
      <Words>{`${sayWhy(bench, visit)} ${sayReady(bench, visit.id)}.`}</Words>
      <Phases bench={bench} visit={visit} />
      <View className="flex-row flex-wrap gap-2">
        <Button
          className="grow"
          label="Card"
          aria-label={`Card of ${visit.tag}`}
          onPress={() => router.navigate(`/j/${visit.jobId}` as Href)}
        />
        {mayPlace && visit.inHandBy === null ? (
          <Button
            className="grow"
            label="Who and when"
            aria-label={`Who does ${visit.tag}, and when`}
            onPress={() => setPlacing(true)}
          />
        ) : null}
      </View>
      {isPlacing ? <PlaceSheet bench={bench} handle={handle} visit={visit} onClose={() => setPlacing(false)} /> : null}
    </Card>
  );
}

function sayPlace(bench: BenchReply, visit: BenchVisit): string {
  const planned = plannedOf(bench, visit.id);
  if (planned === undefined) return 'It has no place in the plan.';
  if (planned.who === null) return `It waits by itself until ${sayClock(bench, planned.to)}.`;
  return `${nameOf(bench, planned.who)}, from ${sayFromTo(bench, planned.from, planned.to)}.`;
}

function Phases({ bench, visit }: Pick<Props, 'bench' | 'visit'>) {
  const phases = bench.plan.phases.filter(({ visitId }) => visitId === visit.id);
  return (
    <View className="gap-1">
      {phases.map(({ phaseId, who, from, to }) => (
        <View key={phaseId} className="flex-row items-baseline gap-3">
          <Words face="figures" size={15} className="w-[76px]">
            {sayClock(bench, from)}
          </Words>
          <Words size={15} tone={who === null ? 'ink-soft' : 'ink'} className="flex-1">
            {who === null
              ? `waits: ${visit.what[phaseId] ?? ''} until ${sayClock(bench, to)}`
              : (visit.what[phaseId] ?? '')}
          </Words>
        </View>
      ))}
    </View>
  );
}

/** Who does it and when it is begun, by hand; or the plan decides again. */
function PlaceSheet({ bench, handle, visit, onClose }: Props & { readonly onClose: () => void }) {
  const planned = plannedOf(bench, visit.id);
  const [to, setTo] = useState(visit.givenTo ?? planned?.who ?? null);
  const [when, setWhen] = useState(visit.pinnedAt === null ? '' : sayAs(visit.pinnedAt, "yyyy-MM-dd'T'HH:mm"));
  const at = when.trim() === '' ? null : instantOf(when);
  const put = (place: Parameters<BenchHandle['put']>[1]) => {
    handle.put(visit, place);
    onClose();
  };
  const why = to === null ? 'Choose who does it.' : when.trim() !== '' && at === null ? 'No such time.' : null;
  return (
    <Sheet title={`Who does ${visit.tag}, and when`} open onClose={onClose}>
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="Who does it">
        {bench.people.map(({ id, name }) => (
          <Choice key={id} className="grow" label={name} on={to === id} onPress={() => setTo(id)} />
        ))}
      </View>
      <DateTimeField label="Begun at (empty: when the plan says)" value={when} onChange={setWhen} />
      <Button kind="main" tall label="Put it there" offBecause={why} onPress={() => put({ to: Number(to), at })} />
      <Button label="Let the plan decide" onPress={() => put({ to: null, at: null })} />
    </Sheet>
  );
}
