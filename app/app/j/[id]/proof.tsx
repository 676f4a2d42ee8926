import { useLocalSearchParams } from 'expo-router';
import { ProofScreen } from '@/features/card';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ProofScreen key={id} jobId={id} />;
}
