import type { Person } from '@hudrik/core/contracts';
import { useQueryClient } from '@tanstack/react-query';
import { useColorScheme } from 'nativewind';
import { router, usePathname, type Href } from 'expo-router';
import { useEffect, useRef, useSyncExternalStore } from 'react';
import { forgetReads, PersonContext, Refused, useRead, whenSignedOut } from '@/api';
import { Failure, Loading } from '@/design';
import { outbox } from '@/outbox';
import { SignIn } from './SignIn';
import { useChanges } from './useChanges';

/** Shows the screens to those signed in, and the sign-in to others: the address stays, so they go on where they were. */
export function SessionGate({ children }: { readonly children: React.ReactNode }) {
  const client = useQueryClient();
  // What was kept on the device does not say whether the session still lives.
  const me = useRead('me', { staleTime: 0 });
  const person = me.error instanceof Refused ? undefined : me.data;
  useEffect(
    () => whenSignedOut(() => void forgetReads('me').then(() => client.resetQueries({ queryKey: ['me'] }))),
    [client],
  );
  useReturnToPlace(person !== undefined);
  useTheme(person?.preferences.theme ?? 'system');
  useEffect(() => outbox().setPerson(person ?? null), [person]);
  useChanges(person !== undefined);
  if (person) return <PersonContext.Provider value={person}>{children}</PersonContext.Provider>;
  if (me.error instanceof Refused) return <SignIn />;
  if (me.isError)
    return (
      <Failure
        sentence="The yard’s server cannot be reached just now."
        kept="What you entered on this device is kept."
        retry={() => void me.refetch()}
      />
    );
  return <Loading what="your yard" />;
}

/** Who was signed out in the middle goes on where they were after signing in again. */
function useReturnToPlace(signedIn: boolean): void {
  const here = usePathname();
  const place = useRef<string | null>(null);
  const away = useRef(false);
  useEffect(() => {
    if (!signedIn) {
      away.current = place.current !== null;
      return;
    }
    const back = away.current && place.current !== here ? place.current : null;
    away.current = false;
    if (back !== null) router.replace(back as Href);
    else place.current = here;
  }, [signedIn, here]);
}

const media =
  typeof window === 'undefined' || typeof window.matchMedia !== 'function'
    ? null
    : window.matchMedia('(prefers-color-scheme: dark)');
const deviceTheme = (): boolean => media?.matches ?? false;

function onDeviceTheme(listener: () => void): () => void {
  media?.addEventListener('change', listener);
  return () => media?.removeEventListener('change', listener);
}

function useTheme(theme: Person['preferences']['theme']): void {
  const { setColorScheme } = useColorScheme();
  const deviceIsDark = useSyncExternalStore(onDeviceTheme, deviceTheme, () => false);
  // The device's own theme is said outright: "system" would leave the page light and the drawings dark.
  useEffect(
    () => setColorScheme(theme === 'system' ? (deviceIsDark ? 'dark' : 'light') : theme),
    [theme, deviceIsDark, setColorScheme],
  );
}
