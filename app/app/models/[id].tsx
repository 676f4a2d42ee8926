import { useLocalSearchParams } from 'expo-router';
import { DataSheetScreen } from '@/features/desk';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <DataSheetScreen key={id} id={id} />;
}
