import { Link } from 'expo-router';
import { View } from 'react-native';
import { useRead } from '@/api';
import { Words } from '@/design';

const FRESH_MS = 300_000;

/** What its owner should know of their PIN: wrong ones that came in, or that it is short. Nothing where there is nothing. */
export function AccessNotice() {
  const { data } = useRead('access', { staleTime: FRESH_MS });
  const fresh = (data?.wrongPins ?? []).filter(({ isNew }) => isNew);
  const count = fresh.reduce((sum, one) => sum + one.count, 0);
  const [first] = fresh;
  const said =
    first !== undefined
      ? `${count === 1 ? 'A wrong PIN' : `${count} wrong PINs`} came in for ${first.person}, on ${first.device}.`
      : data?.isPinShort
        ? 'Your PIN is of the short kind. Choose six figures or more.'
        : null;
  if (said === null) return null;
  return (
    <View
      className="no-print flex-row flex-wrap items-center gap-3 border-l-[6px] border-prep bg-card p-3"
      role="status"
    >
      <Words className="min-w-[200px] flex-1">{said}</Words>
      <Link href="/access" className="min-h-[48px] py-3 font-strong text-17 text-ink underline">
        Look at it
      </Link>
    </View>
  );
}
