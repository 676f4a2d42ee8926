import { useAsk, useRead, useSigns } from '@/api';
import { FeedLine, sayFeedProblem } from '@/design';
import { sayAgo } from '@/writing';
import { sayEquipment } from './sayFromAfar';

/** How it stands with the machines that tell their hours from afar: when they were read, who is silent, who tells what cannot be. */
export function EquipmentLine() {
  const { data } = useRead('equipment', { refetchInterval: 60_000 });
  const read = useAsk('readEquipmentNow');
  const signs = useSigns();
  if (data === undefined || (data.answeredAt === null && data.problem === null)) return null;
  const { answeredAt, problem, machines } = data;
  const lines = sayEquipment(data);
  const when = answeredAt === null ? 'were never read' : `were read ${sayAgo(answeredAt)}`;
  return (
    <FeedLine
      sentence={
        problem
          ? `The machines’ feed ${sayFeedProblem(problem)}. Hours from afar ${when}; what was told then stands.`
          : `Hours from afar ${when}: ${machines === 1 ? '1 machine tells its own' : `${machines} machines tell their own`}.`
      }
      isWrong={problem !== null}
      lines={lines}
      more={lines.length === 1 ? '1 to look at' : `${lines.length} to look at`}
      read={signs ? () => read.mutate({}) : undefined}
      isReading={read.isPending}
      offBecause={read.offBecause}
    />
  );
}
