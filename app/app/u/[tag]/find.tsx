import { useLocalSearchParams } from 'expo-router';
import { FindScreen } from '@/features/find';

export default function Route() {
  const { tag } = useLocalSearchParams<{ tag: string }>();
  return <FindScreen key={tag} tag={tag.toUpperCase()} />;
}
