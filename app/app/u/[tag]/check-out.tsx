import { useLocalSearchParams } from 'expo-router';
import { CheckOutScreen } from '@/features/checkout';

export default function Route() {
  const { tag } = useLocalSearchParams<{ tag: string }>();
  return <CheckOutScreen key={tag} tag={tag.toUpperCase()} />;
}
