import { PartsScreen } from '@/features/parts';

export default function Route() {
  return <PartsScreen />;
}
