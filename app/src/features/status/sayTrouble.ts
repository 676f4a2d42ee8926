import type { Status, Trouble } from '@hudrik/core/contracts';
import { sayDay } from '@/writing';

type Said = Pick<Status, 'backups' | 'disk'>;

/** What is wrong, and what to do about it. */
export function sayTrouble(trouble: Trouble, { backups, disk }: Said): string {
  switch (trouble) {
    case 'store-away':
      return 'The records cannot be reached.';
    case 'backup-late':
      return backups.last
        ? `No good backup since ${sayDay(backups.last.at)}. Look whether the machine is on at night.`
        : 'There is no backup yet. Have one written now.';
    case 'backup-failed':
      return `The last backup did not come off: ${backups.failed?.why ?? ''}`;
    case 'disk-low':
      return `Only ${sayBytes(disk?.freeBytes ?? 0)} are free on the disk. Make room before it is full.`;
    case 'queue-stuck':
      return 'Work in the background waits too long. Start Hudrik again; if it stays so, look into its log.';
    case 'superuser':
      return 'The server works as the database’s superuser: it could change history. Give it its own role.';
    case 'no-checksums':
      return 'The database’s pages have no checksums: a failing disk is found late.';
    case 'not-private':
      return 'What travels between devices and server can be read on the network. Use https.';
    case 'copy-away':
      return 'The copy of the records is away: were the machine lost now, the last backup is all there is.';
    case 'copy-behind':
      return 'The copy of the records is far behind. Look at the line between the two machines.';
    case 'copy-took-over':
      return 'The copy has taken over, and has no copy itself. Make the old machine follow it, or set another one up.';
  }
}

const STEP = 1000;
const NAMES = ['bytes', 'kB', 'MB', 'GB', 'TB'];

export function sayBytes(bytes: number): string {
  const step = bytes <= 0 ? 0 : Math.min(Math.floor(Math.log(bytes) / Math.log(STEP)), NAMES.length - 1);
  const value = bytes / STEP ** step;
  return `${value < 10 && step > 0 ? value.toFixed(1) : Math.round(value)} ${NAMES[step]}`;
}
