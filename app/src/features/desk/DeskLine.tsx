import { classOf } from '@hudrik/core/catalogue';
import type { DeskReply } from '@hudrik/core/contracts';
import { View } from 'react-native';
import { useAsk, usePerson, useRead } from '@/api';
import { Button, FeedLine, sayFeedProblem, Words } from '@/design';
import { sayAgo, sayTime } from '@/writing';

const REFUSED: Readonly<Record<string, string>> = {
  'odd-signs': 'holds signs that are none',
  unreadable: 'cannot be read',
  'cut-off': 'has no end',
  'unknown-zone': 'names a time zone that nobody knows',
  'absurd-time': 'lies years away or lasts for years',
  vanished: 'is in its list no more; cancel it here if it is off',
  'no-uid': 'has no name of its own, or one that is too long',
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
  const { answeredAt, problem, notTaken, refused, bursts } = data;
  const when = answeredAt === null ? 'was never read' : `was read ${sayAgo(answeredAt)}`;
  return (
    <FeedLine
      sentence={
        problem
          ? `The booking desk ${sayFeedProblem(problem)}. It ${when}; what it said then stands.`
          : `The booking desk ${when}, ${data.hires} hires of its own.`
      }
      isWrong={problem !== null}
      lines={[
        ...notTaken.map(sayRefused),
        ...(refused > notTaken.length ? [`And ${refused - notTaken.length} more.`] : []),
      ]}
      more={`${refused} not taken`}
      read={role === 'lead' || role === 'counter' ? () => read.mutate({}) : undefined}
      isReading={read.isPending}
      offBecause={read.offBecause}
    >
      {bursts.map((burst) => (
        <HeldBack key={burst.classId} burst={burst} />
      ))}
    </FeedLine>
  );
}

type Burst = DeskReply['bursts'][number];

/** An entry that was not taken: which it is, where it stands in the list, and why. */
const sayRefused = ({ uid, line, reference, problem }: DeskReply['notTaken'][number]): string =>
  `${[reference ?? uid ?? 'An entry', ...(line === null ? [] : [`(line ${line})`])].join(' ')} ${REFUSED[problem] ?? `was refused (${problem})`}.`;

/** More of a class at once than can be meant: a lead looks, and says whether it is. */
function HeldBack({ burst }: { readonly burst: Burst }) {
  const { role } = usePerson();
  const allow = useAsk('allowBurst');
  const { classId, count, atOnce, at, units } = burst;
  const { name } = classOf(classId);
  return (
    <View className="flex-row flex-wrap items-center gap-3 pt-2">
      <Words size={15} className="min-w-0 flex-1 basis-[220px]">
        {`${count} hires held back, ${name}: ${atOnce} would be away at once on ${sayTime(at)}, and the yard has ${units}. Ask whoever writes the list.`}
      </Words>
      {role === 'lead' ? (
        <Button
          label={`It is meant: take up to ${atOnce} at once`}
          disabled={allow.isPending}
          offBecause={allow.offBecause}
          onPress={() => allow.mutate({ params: { classId }, body: { atOnce } })}
        />
      ) : null}
    </View>
  );
}
