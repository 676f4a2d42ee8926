import { useLocalSearchParams } from 'expo-router';
import { WaysScreen } from '@/features/card';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WaysScreen key={id} jobId={id} />;
}
