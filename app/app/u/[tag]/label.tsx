import { useLocalSearchParams } from 'expo-router';
import { LabelScreen } from '@/features/unit';

export default function Route() {
  const { tag } = useLocalSearchParams<{ tag: string }>();
  return <LabelScreen key={tag} tag={tag.toUpperCase()} />;
}
