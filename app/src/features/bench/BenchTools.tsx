import { router } from 'expo-router';
import { View } from 'react-native';
import { useChange, usePerson } from '@/api';
import { Button } from '@/design';

/** A search that somebody waits for. */
const SECONDS = 5;

/** What is done about the whole plan: a longer search, who works when. */
export function BenchTools() {
  const { role } = usePerson();
  const search = useChange('planAnew');
  const signs = role === 'lead' || role === 'technician';
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
    </View>
  );
}
