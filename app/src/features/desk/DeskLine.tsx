import { useState } from 'react';
import { View } from 'react-native';
import { useChange, usePerson, useRead } from '@/api';
import { Button, Words } from '@/design';
import { sayAgo } from '@/writing';

const PROBLEM: Readonly<Record<string, string>> = {
  away: 'cannot be reached',
  'cut-short': 'sent half a list',
  nonsense: 'sent what is no list',
};
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
  const read = useChange('readDeskNow');
  const [isOpen, setOpen] = useState(false);
  if (data === undefined || (data.answeredAt === null && data.problem === null)) return null;
  const { answeredAt, problem, notTaken } = data;
  const when = answeredAt === null ? 'was never read' : `was read ${sayAgo(answeredAt)}`;
  return (
    <View className={`gap-1 border-l-[6px] pl-3 ${problem || notTaken.length > 0 ? 'border-prep' : 'border-line'}`}>
      <View className="flex-row flex-wrap items-center gap-3">
        <Words size={15} className="min-w-0 flex-1" role="status">
          {problem
            ? `The booking desk ${PROBLEM[problem] ?? problem}. It ${when}; what it said then stands.`
            : `The booking desk ${when}, ${data.hires} hires of its own.`}
        </Words>
        {role === 'lead' || role === 'counter' ? (
          <Button kind="quiet" label="Read it now" disabled={read.isPending} onPress={() => read.mutate({})} />
        ) : null}
        {notTaken.length > 0 ? (
          <Button
            kind="quiet"
            label={isOpen ? 'Less' : `${notTaken.length} not taken`}
            onPress={() => setOpen(!isOpen)}
          />
        ) : null}
      </View>
      {isOpen
        ? notTaken.map(({ uid, problem: why, reference }) => (
            <Words key={uid} size={15}>{`${reference ?? uid} ${REFUSED[why] ?? `was refused (${why})`}.`}</Words>
          ))
        : null}
    </View>
  );
}
