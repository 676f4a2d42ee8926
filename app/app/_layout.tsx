import '@/places/lateCommon';
import '../global.css';
import { AtkinsonHyperlegibleNext_400Regular } from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular';
import { AtkinsonHyperlegibleNext_700Bold } from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold';
import { BarlowCondensed_600SemiBold } from '@expo-google-fonts/barlow-condensed/600SemiBold';
import { SairaStencilOne_400Regular } from '@expo-google-fonts/saira-stencil-one/400Regular';
import { useFonts } from 'expo-font';
import { Slot, usePathname } from 'expo-router';
import { useEffect } from 'react';
import { QueryProvider } from '@/api';
import { Frame, HoldPage, ScreenBoundary } from '@/features/frame';
import { SessionGate } from '@/features/session';
import { registerServiceWorker } from '@/features/session/serviceWorker';
import { WritingGate } from '@/writing';

/** Screens of a device that was not let in yet. */
const BEFORE_SIGN_IN = new Set(['/first-lead', '/let-in']);

export default function Layout() {
  useFonts({
    AtkinsonHyperlegibleNext_400Regular,
    AtkinsonHyperlegibleNext_700Bold,
    BarlowCondensed_600SemiBold,
    SairaStencilOne_400Regular,
  });
  useEffect(registerServiceWorker, []);
  const path = usePathname();
  return (
    <QueryProvider>
      {BEFORE_SIGN_IN.has(path) ? (
        <Slot />
      ) : (
        <SessionGate>
          <WritingGate>
            <Frame>
              <ScreenBoundary path={path}>
                <Slot />
              </ScreenBoundary>
            </Frame>
          </WritingGate>
        </SessionGate>
      )}
      <HoldPage />
    </QueryProvider>
  );
}
