import { ENGINE_OIL } from '@hudrik/core/catalogue';
import { onHire } from '@hudrik/core/service';
import { View } from 'react-native';
import { useRead } from '@/api';
import { Words } from '@/design';
import { itemOf } from './Together';

interface Props {
  readonly tag: string;
  /** Days on hire, from now. */
  readonly days: number;
}

/** What of its service is overdue or runs out before a unit is back, besides the engine oil, which the lead is asked about. */
export function ServiceOnHire({ tag, days }: Props) {
  const { data } = useRead('unitService', { params: { tag } });
  const told = (data?.items ?? [])
    .filter(({ id, jobId }) => id !== ENGINE_OIL && jobId === null)
    .map((state) => ({ id: state.id, how: onHire(state, data?.hoursPerHireDay ?? 0, days) }))
    .filter(({ how }) => how !== 'lasts');
  if (told.length === 0) return null;
  const names = (how: 'overdue' | 'runs-out'): string =>
    told
      .filter((one) => one.how === how)
      .map(({ id }) => itemOf(id)?.name ?? id)
      .join(', ');
  return (
    <View className="gap-1 border-l-[6px] border-prep bg-paper p-3" role="note">
      {names('overdue') ? <Words>{`Overdue: ${names('overdue')}.`}</Words> : null}
      {names('runs-out') ? <Words>{`Runs out during this hire: ${names('runs-out')}.`}</Words> : null}
    </View>
  );
}
