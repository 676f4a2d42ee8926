import { useLocalSearchParams } from 'expo-router';
import { CalculatorScreen } from '@/features/numbers';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <CalculatorScreen key={id} id={id} />;
}
