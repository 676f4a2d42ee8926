import { useAsk, usePerson, useRead } from '@/api';
import { FeedLine, sayFeedProblem } from '@/design';
import { sayAgo } from '@/writing';

const REFUSED: Readonly<Record<string, string>> = {
  vanished: 'is in its list no more; cancel it here if it is off',
  'no-uid': 'has no name of its own',
  'no-class': 'names no class of ours',
  'no-time': 'has no time',
  'ends-before': 'ends before it begins',
  repeats: 'repeats; only single hires are taken',
  'hire-overlaps': 'would overlap another hire of that unit',
  'hire-in-past': 'was moved into the past',
  'hire-too-short': 'is shorter than an hour',
  'no-such-tag': 'names a unit that is not here',
  'not-ready': 'names a unit that is gone',
  'already-there': 'has a reference that is taken',
  'not-valid': 'names a unit of another class',
};

/** How it stands with the booking desk outside: when it was read, and what of its list was not taken. */
export function DeskLine() {
  const { role } = usePerson();
  const { data } = useRead('desk', { refetchInterval: 60_000 });
  const read = useAsk('readDeskNow');
  if (data === undefined || (data.answeredAt === null && data.problem === null)) return null;
  const { answeredAt, problem, notTaken } = data;
  const when = answeredAt === null ? 'was never read' : `was read ${sayAgo(answeredAt)}`;
  return (
    <FeedLine
      sentence={
        problem
          ? `The booking desk ${sayFeedProblem(problem)}. It ${when}; what it said then stands.`
          : `The booking desk ${when}, ${data.hires} hires of its own.`
      }
      isWrong={problem !== null}
      lines={notTaken.map(
        ({ uid, problem: why, reference }) => `${reference ?? uid} ${REFUSED[why] ?? `was refused (${why})`}.`,
      )}
      more={`${notTaken.length} not taken`}
      read={role === 'lead' || role === 'counter' ? () => read.mutate({}) : undefined}
      isReading={read.isPending}
      offBecause={read.offBecause}
    />
  );
}
