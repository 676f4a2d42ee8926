import { comesOffBy, type Entry } from '@hudrik/core/log';
import { Link } from 'expo-router';
import { View } from 'react-native';
import { Words } from '@/design';

interface Props {
  readonly tag: string;
  /** Whose card has the tray; not known: the unit leads there. */
  readonly jobId: string | null;
  readonly entries: readonly Entry[];
}

/** What came off for the looks so far: it lies in the tray of the unit's card, and goes back there. */
export function InTray({ tag, jobId, entries }: Props) {
  const off = [...new Set(entries.flatMap(comesOffBy).map(({ what }) => what))];
  if (off.length === 0) return null;
  return (
    <View className="gap-1 border-2 border-dashed border-line bg-paper p-3" role="note">
      <Words size={15} face="strong">{`Into the tray: ${off.join(', ').toLowerCase()}.`}</Words>
      <Words size={15}>
        It stays on the bench until each is back.{' '}
        <Link href={jobId === null ? `/u/${tag}` : `/j/${jobId}`} className="underline">
          {jobId === null ? 'To its jobs' : 'To its card'}
        </Link>
      </Words>
    </View>
  );
}
