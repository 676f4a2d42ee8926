import type { BenchReply } from '@hudrik/core/contracts';
import { router } from 'expo-router';
import { View } from 'react-native';
import { useChange, usePerson, useSigns } from '@/api';
import { Button } from '@/design';

/** A search that somebody waits for. */
const SECONDS = 5;

/** What is done about the whole plan: a longer search, who works when. */
export function BenchTools({ bench }: { readonly bench: BenchReply }) {
  const { role, id } = usePerson();
  const me = String(id);
  const whose = bench.people.some((person) => person.id === me) ? me : bench.people[0]?.id;
  const search = useChange('planAnew');
  const signs = useSigns();
  return (
    <View className="flex-row flex-wrap gap-2">
      {signs ? (
        <Button
          label={search.isPending ? 'Looking for a better plan…' : 'Look for a better plan'}
          disabled={search.isPending}
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
              label={`Print the day: ${person.name}`}
              onPress={() => window.open(`/api/bench/${person.id}/day.pdf`, '_blank')}
            />
          ))}
    </View>
  );
}
