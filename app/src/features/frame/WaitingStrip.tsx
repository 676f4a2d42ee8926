import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { Pressable } from 'react-native';
import { serverTime, usePerson } from '@/api';
import { Words } from '@/design';
import { noticeOf } from '@/features/waiting/say';
import { useWaiting, type Item } from '@/outbox';

/** What is sent at once is not worth a word. */
const AT_ONCE_MS = 2000;

/** A thin strip while something that was made here has not reached the server. */
export function WaitingStrip() {
  const person = usePerson();
  const { items, trouble } = useWaiting();
  const shown = useLasting(items);
  const notice = noticeOf(shown, trouble, person);
  if (notice === null) return null;
  return (
    <Pressable
      role="button"
      onPress={() => router.navigate('/waiting')}
      className={`no-print min-h-[48px] justify-center px-4 py-2 ${notice.isUrgent ? 'bg-held' : 'bg-mark'}`}
    >
      <Words size={15} face="strong" tone="on-mark" role="status">
        {notice.sentence}
      </Words>
    </Pressable>
  );
}

const isLasting = (item: Item): boolean =>
  item.state === 'refused' || serverTime().getTime() - Date.parse(item.madeAt) > AT_ONCE_MS;

/** What waits for longer than a moment. */
function useLasting(items: readonly Item[]): readonly Item[] {
  const [, setTick] = useState(0);
  const open = items.filter((item) => item.state !== 'sent');
  const isYoung = open.some((item) => !isLasting(item));
  useEffect(() => {
    if (!isYoung) return;
    const timer = setTimeout(() => setTick((tick) => tick + 1), AT_ONCE_MS);
    return () => clearTimeout(timer);
  }, [isYoung, items]);
  return open.filter(isLasting);
}
