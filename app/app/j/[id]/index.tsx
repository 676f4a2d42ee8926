import { useLocalSearchParams } from 'expo-router';
import { CardScreen } from '@/features/card';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <CardScreen key={id} jobId={id} />;
}
