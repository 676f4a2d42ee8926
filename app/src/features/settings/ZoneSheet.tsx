import type { ZoneShift } from '@hudrik/core/contracts';
import { sentenceOf, useRead } from '@/api';
import { Button, Failure, Loading, Sheet, Words } from '@/design';
import { sayTime } from '@/writing';

export interface ZoneSheetProps {
  readonly to: string;
  readonly onSave: () => void;
  readonly onClose: () => void;
}

/** Before the yard’s clock is set to another zone: what it shifts. */
export function ZoneSheet({ to, onSave, onClose }: ZoneSheetProps) {
  const shift = useRead('zoneShift', { query: { to } });
  return (
    <Sheet title={`The yard’s clock: ${to}`} open onClose={onClose}>
      {shift.data ? (
        sayShift(shift.data).map((sentence) => <Words key={sentence}>{sentence}</Words>)
      ) : shift.isError ? (
        <Failure sentence={sentenceOf(shift.error)} retry={() => void shift.refetch()} />
      ) : (
        <Loading what="what it shifts" />
      )}
      {shift.data ? <Button kind="main" label="Save for the whole yard" onPress={onSave} /> : null}
      <Button label="Leave it as it is" onPress={onClose} />
    </Sheet>
  );
}

/** What a new zone shifts, the clock first. Times are said by the clock as it still is. */
export function sayShift({ minutes, opens, backup, deskHires }: ZoneShift): string[] {
  const [hours, rest] = [Math.floor(Math.abs(minutes) / 60), Math.abs(minutes) % 60];
  const by = [...(hours > 0 ? [`${hours} h`] : []), ...(rest > 0 ? [`${rest} min`] : [])].join(' ');
  const times = [
    ...(opens === null ? [] : [`The next shift begins ${sayTime(opens.after)}, not ${sayTime(opens.before)}.`]),
    `The next backup is written ${sayTime(backup.after)}, not ${sayTime(backup.before)}.`,
  ];
  return [
    minutes === 0
      ? 'Just now both show the same time. They may differ in another season.'
      : `Every time on every screen and paper is shown ${by} ${minutes > 0 ? 'later' : 'earlier'} than now. No record of the past changes.`,
    ...(minutes === 0 ? [] : ['By the clock as it still is:', ...times]),
    deskHires === 0
      ? 'No booked hire of the desk’s list moves: each names its zone.'
      : deskHires === 1
        ? '1 booked hire of the desk’s list names no zone: it moves when the list is read next.'
        : `${deskHires} booked hires of the desk’s list name no zone: they move when the list is read next.`,
    'Shifts and days off keep their hours, by the new clock.',
  ];
}
