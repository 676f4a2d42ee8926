import { Link } from 'expo-router';
import { View } from 'react-native';
import { usePerson, useRead } from '@/api';
import { Words } from '@/design';
import { totalOf } from './useSteps';

/** On the shift of a yard that has no units yet: how to begin. */
export function SetUpNotice() {
  const { role } = usePerson();
  const units = useRead('units', { query: { limit: 1 } });
  if (units.data === undefined || totalOf(units.data.counts) > 0) return null;
  return (
    <View className="gap-2 border-l-[6px] border-prep bg-card p-4" role="status">
      <Words face="strong">This yard has no units yet.</Words>
      {role === 'lead' ? (
        <Link href="/set-up" className="min-h-[48px] py-3 font-strong text-17 text-ink underline">
          Set the yard up
        </Link>
      ) : (
        <Words>A lead sets it up: More, Set the yard up.</Words>
      )}
    </View>
  );
}
