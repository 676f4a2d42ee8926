import type { RegularTask, Status, Trouble } from '@hudrik/core/contracts';
import { sayDay, sayTime } from '@/writing';

type Said = Pick<Status, 'backups' | 'disk' | 'tasks' | 'clockJump' | 'copy'>;

/** What is wrong, and what to do about it. */
export const sayTrouble = (trouble: Trouble, said: Said): string => SENTENCES[trouble](said);

const SENTENCES: Readonly<Record<Trouble, (said: Said) => string>> = {
  'store-away': () =>
    'The records cannot be reached. Look whether the machine of the records runs, and into Hudrik’s log.',
  'backup-late': ({ backups }) =>
    backups.last
      ? `No good backup since ${sayDay(backups.last.at)}. Look whether the machine is on at night.`
      : 'There is no backup yet. Have one written now.',
  'backup-failed': ({ backups }) =>
    `The last backup did not come off (${backups.failed?.why ?? 'why is not known'}). Have one written now.`,
  'disk-low': ({ disk }) => `Only ${sayBytes(disk?.freeBytes ?? 0)} are free on the disk. Make room before it is full.`,
  'queue-stuck': () => 'Work in the background waits too long. Start Hudrik again; if it stays so, look into its log.',
  'background-still': () =>
    'Nothing was done in the background for five minutes. Start Hudrik again; if it stays so, look into its log.',
  'task-failing': ({ tasks }) =>
    tasks
      .filter(({ failingSince }) => failingSince !== null)
      .map(sayFailing)
      .join(' '),
  'clock-jumped': ({ clockJump }) => sayJump(clockJump?.seconds ?? 0),
  superuser: () => 'The server works as the database’s superuser: it could change history. Give it its own role.',
  'no-checksums': () => 'The database’s pages have no checksums: a failing disk is found late.',
  'not-private': () => 'What travels between devices and server can be read on the network. Use https.',
  'copy-away': () => 'The copy of the records is away: were the machine lost now, the last backup is all there is.',
  'copy-behind': ({ copy }) =>
    `The copy of the records is ${sayLong(copy?.behindSeconds ?? 0)} behind. Look at the line between the two machines, and at the other one’s disk.`,
  'copy-log-fills': ({ copy }) =>
    copy?.log?.isLost
      ? 'The copy was away for too long: it can no longer catch up. Make it anew, by copy-from.'
      : `${sayBytes(copy?.log?.keptBytes ?? 0)} of changes are kept for a copy that does not fetch them. Bring it back, or it must be made anew.`,
  'copy-took-over': () =>
    'The copy has taken over, and has no copy itself. On the old machine: npm run hudrik -- rejoin.',
};

/** What each regular task does, as it is said of it that it fails. */
export const TASKS: Readonly<Record<RegularTask, string>> = {
  'ask-orders': 'Asking the supplier about orders',
  'make-thumbnails': 'Making photos small',
  'clean-up': 'Clearing away what is over',
  'drop-loose-photos': 'Taking away photos that hang on nothing',
  'read-desk': 'Reading the desk’s hires',
  'read-equipment': 'Reading the machines’ hours',
  'find-stale-fuel': 'Looking for stale fuel',
  'start-backup': 'Starting the nightly backup',
};

const sayFailing = ({ task, failingSince, why }: Status['tasks'][number]): string =>
  `${TASKS[task]} has failed since ${sayTime(failingSince ?? '')}: ${why ?? ''}`;

const MINUTE = 60;
const HOUR = 3600;
const DAY = 86_400;

function sayLong(seconds: number): string {
  const [count, unit] =
    seconds < HOUR
      ? [seconds / MINUTE, 'minute']
      : seconds < 2 * DAY
        ? [seconds / HOUR, 'hour']
        : [seconds / DAY, 'day'];
  return `${Math.round(count)} ${unit}${Math.round(count) === 1 ? '' : 's'}`;
}

function sayJump(seconds: number): string {
  const much = sayLong(Math.abs(seconds));
  const what = seconds > 0 ? `slept for ${much}, or its clock was put on` : `had its clock put back by ${much}`;
  return `This machine ${what}. Look whether its time is right: what is entered takes its time from it.`;
}

const STEP = 1000;
const NAMES = ['bytes', 'kB', 'MB', 'GB', 'TB'];

export function sayBytes(bytes: number): string {
  const step = bytes <= 0 ? 0 : Math.min(Math.floor(Math.log(bytes) / Math.log(STEP)), NAMES.length - 1);
  const value = bytes / STEP ** step;
  return `${value < 10 && step > 0 ? value.toFixed(1) : Math.round(value)} ${NAMES[step]}`;
}
