import { FindScreen } from '@/features/find';

export default function Route() {
  return <FindScreen tag={null} />;
}
