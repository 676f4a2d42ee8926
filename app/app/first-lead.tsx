import { useLocalSearchParams } from 'expo-router';
import { FirstLead } from '@/features/session';

export default function Route() {
  const { code } = useLocalSearchParams<{ code?: string }>();
  return <FirstLead code={code ?? ''} />;
}
