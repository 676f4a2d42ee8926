import type { BenchReply } from '@hudrik/core/contracts';
import { router } from 'expo-router';
import { View } from 'react-native';
import { useAsk, usePerson, useRead, useSigns } from '@/api';
import { sayRounded } from '@/features/card';
import { Button, Words } from '@/design';

/** A search that somebody waits for. */
const SECONDS = 10;
const LOOK_MS = 400;

/** A search that goes on: how far it is, what it saves so far, and enough of it. */
function Searching() {
  const { data } = useRead('benchSearch', { refetchInterval: LOOK_MS });
  const stop = useAsk('stopSearch');
  const { share = 0, savedCents = 0 } = data?.search ?? {};
  return (
    <View className="min-w-[260px] flex-row items-center gap-3" role="status">
      <View className="min-w-0 flex-1 gap-1">
        <Words size={15}>
          {savedCents > 0 ? `Looking: about ${sayRounded(savedCents)} better so far` : 'Looking for a better plan'}
        </Words>
        <View
          className="h-[8px] w-full bg-card-deep"
          role="progressbar"
          aria-label="Of the search"
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={Math.round(share * 100)}
        >
          <View className="h-full bg-ink" style={{ width: `${share * 100}%` }} />
        </View>
      </View>
      <Button label="Enough" offBecause={stop.offBecause} disabled={stop.isPending} onPress={() => stop.mutate({})} />
    </View>
  );
}

/** What is done about the whole plan: a longer search, who works when. */
export function BenchTools({ bench }: { readonly bench: BenchReply }) {
  const { role, id } = usePerson();
  const me = String(id);
  const whose = bench.people.some((person) => person.id === me) ? me : bench.people[0]?.id;
  const search = useAsk('planAnew');
  const signs = useSigns();
  return (
    <View className="flex-row flex-wrap gap-2">
      {signs && search.isPending ? <Searching /> : null}
      {signs && !search.isPending ? (
        <Button
          label="Look for a better plan"
          offBecause={search.offBecause}
          onPress={() => search.mutate({ body: { seconds: SECONDS } })}
        />
      ) : null}
      <Button label="Who works when" onPress={() => router.navigate('/hours')} />
      {whose === undefined
        ? null
        : (role === 'lead' ? bench.people : bench.people.filter((person) => person.id === whose)).map((person) => (
            <Button
              key={person.id}
              kind="quiet"
              label={`Print: ${person.name.split(' ')[0] ?? person.name}`}
              aria-label={`Print the day: ${person.name}`}
              onPress={() => window.open(`/api/bench/${person.id}/day.pdf`, '_blank')}
            />
          ))}
    </View>
  );
}
