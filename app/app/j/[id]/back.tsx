import { useLocalSearchParams } from 'expo-router';
import { PutBackScreen } from '@/features/card';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <PutBackScreen key={id} jobId={id} />;
}
