import type { Shift, ShiftLine } from '@hudrik/core/contracts';
import { useRead } from '@/api';
import { Empty, Failure, Loading, Page, Section, useIsWide, Words } from '@/design';
import { sayMinutes } from '@/writing';
import { lazy, Suspense } from 'react';
import { View } from 'react-native';
import { AccessNotice } from '@/features/access';
import { SetUpNotice } from '@/features/setup';
import { StatusNotice } from '@/features/status';
import { ShiftRow } from './ShiftRow';
import { TimeRail } from './TimeRail';

/** It tells entries, and with them all that is known: not with the first screen of a day on which nothing was done alone. */
const DoneAlone = lazy(() => import('./DoneAlone'));

const HEADINGS: readonly {
  readonly of: 'warned' | 'toSign' | 'back' | 'soon' | 'held' | 'inWork' | 'due';
  readonly title: string;
  readonly none: string;
}[] = [
  { of: 'warned', title: 'Ring the hirer', none: '' },
  { of: 'toSign', title: 'To be signed', none: '' },
  { of: 'back', title: 'Back, not looked at', none: 'Everything that came back has been looked at.' },
  { of: 'soon', title: 'Goes out soon, not fit', none: 'All that goes out in the next two days is fit.' },
  { of: 'held', title: 'Held', none: 'Nothing is held.' },
  { of: 'inWork', title: 'On the bench', none: 'No job has been started.' },
  { of: 'due', title: 'Due soon', none: 'No service is due.' },
];

/** The day as one column of actions. */
export function ShiftScreen() {
  const shift = useRead('shift', { refetchInterval: 30_000 });
  const wide = useIsWide();
  if (!shift.data)
    return shift.isError ? (
      <Failure
        sentence="The shift cannot be fetched just now."
        kept="Anything you entered is kept on this device."
        retry={() => void shift.refetch()}
      />
    ) : (
      <Loading what="the shift" />
    );
  const first = HEADINGS.flatMap(({ of }) => shift.data[of])[0];
  const column = (
    <Page wide={wide}>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {sayDay(shift.data)}
      </Words>
      <SetUpNotice />
      <AccessNotice />
      <StatusNotice />
      {shift.data.alone.length > 0 ? (
        <Suspense fallback={null}>
          <DoneAlone alone={shift.data.alone} />
        </Suspense>
      ) : null}
      {HEADINGS.filter(({ of, none }) => none !== '' || shift.data[of].length > 0).map(({ of, title, none }) => (
        <ShiftSection key={of} title={title} none={none} lines={shift.data[of]} first={first} />
      ))}
    </Page>
  );
  if (!wide) return column;
  return (
    <View className="flex-1 flex-row">
      <View className="min-w-0 flex-1">{column}</View>
      <TimeRail shift={shift.data} />
    </View>
  );
}

function ShiftSection({
  title,
  none,
  lines,
  first,
}: {
  readonly title: string;
  readonly none: string;
  readonly lines: readonly ShiftLine[];
  readonly first: ShiftLine | undefined;
}) {
  return (
    <Section title={title} count={lines.length}>
      {lines.length === 0 ? (
        <Empty sentence={none} />
      ) : (
        lines.map((line) => (
          <ShiftRow
            key={`${line.code} ${line.tag} ${line.reference} ${line.jobId}`}
            line={line}
            isFirst={line === first}
          />
        ))
      )}
    </Section>
  );
}

/** One sentence about the day. */
function sayDay(shift: Shift): string {
  if (shift.goingOut === 0) return 'Nothing goes out in the next two days.';
  const out = `${shift.goingOut} ${shift.goingOut === 1 ? 'goes' : 'go'} out in the next two days`;
  if (shift.goingOutNotFit === 0) return `${out}; all of them are fit.`;
  return `${out}; ${shift.goingOutNotFit} of them ${shift.goingOutNotFit === 1 ? 'is' : 'are'} not fit. ${sayMinutes(shift.minutesBetween)} of work before that.`;
}
