import { useIsMutating } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { AT_ONCE_KEY } from '@/api';
import { Words } from '@/design';

/** What takes no longer is worth no word. */
const WORD_AFTER_MS = 600;

/** While something is asked that is answered at once or not at all, nobody leaves: nothing else is tapped, and the browser asks before it goes. */
export function HoldPage() {
  const isAsking = useIsMutating({ mutationKey: AT_ONCE_KEY }) > 0;
  return isAsking ? <Held /> : null;
}

function Held() {
  const [isSaid, setSaid] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setSaid(true), WORD_AFTER_MS);
    const stay = (event: BeforeUnloadEvent) => event.preventDefault();
    globalThis.addEventListener?.('beforeunload', stay);
    return () => {
      clearTimeout(timer);
      globalThis.removeEventListener?.('beforeunload', stay);
    };
  }, []);
  return (
    <View className="absolute inset-0 z-50 items-center justify-center p-6" aria-busy role="alert">
      {isSaid ? (
        <View className="border-2 border-ink bg-paper p-5">
          <Words face="strong" size={22}>
            Being sent. Stay on this page until it is taken.
          </Words>
        </View>
      ) : null}
    </View>
  );
}
