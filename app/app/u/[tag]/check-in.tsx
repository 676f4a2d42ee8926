import { useLocalSearchParams } from 'expo-router';
import { CheckInScreen } from '@/features/checkin';

export default function Route() {
  const { tag } = useLocalSearchParams<{ tag: string }>();
  return <CheckInScreen key={tag} tag={tag.toUpperCase()} />;
}
