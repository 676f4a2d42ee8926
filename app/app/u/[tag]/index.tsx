import { useLocalSearchParams } from 'expo-router';
import { UnitScreen } from '@/features/unit';

export default function Route() {
  const { tag } = useLocalSearchParams<{ tag: string }>();
  return <UnitScreen key={tag} tag={tag.toUpperCase()} />;
}
