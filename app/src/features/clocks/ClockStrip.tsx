import type { ClockLine } from '@hudrik/core/contracts';
import { router } from 'expo-router';
import { useEffect, useRef } from 'react';
import { Pressable, View } from 'react-native';
import { useRead } from '@/api';
import { Section, Words } from '@/design';
import { sayLeft, useServerNow } from './sayLeft';

interface Running extends ClockLine {
  readonly leftMs: number;
}

const AGAIN_MS = 20_000;

/** The yard's clocks by the server's time. Without a connection they go on by what was read last. */
function useClocks(): readonly Running[] {
  // What was kept on the device may be from before the last clock was started.
  const { data } = useRead('clocks', { refetchInterval: AGAIN_MS, staleTime: 0 });
  const now = useServerNow(1000);
  const clocks = (data?.clocks ?? []).map((clock) => ({ ...clock, leftMs: Date.parse(clock.endsAt) - now }));
  useTellEnd(clocks);
  return clocks;
}

/** Says the end of one's own clocks once, also when another window is in front, where the browser allows it. */
function useTellEnd(clocks: readonly Running[]): void {
  const announced = useRef<Set<string> | null>(null);
  useEffect(() => {
    const ended = clocks.filter((clock) => clock.mine && clock.leftMs <= 0);
    const isFirst = announced.current === null;
    announced.current ??= new Set();
    for (const clock of ended) {
      if (announced.current.has(clock.id)) continue;
      announced.current.add(clock.id);
      if (!isFirst && typeof Notification !== 'undefined' && Notification.permission === 'granted')
        new Notification(`${clock.tag}: ${clock.name.toLowerCase()} has ended`, {
          body: 'What was the result?',
          tag: clock.id,
        });
    }
    if (
      clocks.some((clock) => clock.mine) &&
      typeof Notification !== 'undefined' &&
      Notification.permission === 'default'
    )
      void Notification.requestPermission();
  });
}

const open = (clock: ClockLine) => () => router.navigate(`/j/${clock.jobId}`);

/** On the phone: the soonest clock in a thin strip, and how many more run. */
export function ClockStrip() {
  const clocks = useClocks();
  const [soonest] = clocks;
  if (soonest === undefined) return null;
  const ended = soonest.leftMs <= 0;
  return (
    <Pressable
      role="button"
      aria-label={`${soonest.tag} ${soonest.name}: ${sayLeft(soonest.leftMs)}`}
      onPress={open(soonest)}
      className={`no-print min-h-[48px] flex-row items-center gap-3 border-t-2 border-ink px-4 ${ended ? 'bg-held' : 'bg-card'}`}
    >
      <Words face="figures" size={22} tone={ended ? 'on-mark' : 'ink'} role="timer">
        {sayLeft(soonest.leftMs)}
      </Words>
      <Words face="strong" size={15} tone={ended ? 'on-mark' : 'ink'} className="min-w-0 flex-1" numberOfLines={1}>
        {soonest.tag} {soonest.name.toLowerCase()}
      </Words>
      {clocks.length > 1 ? <Words size={15} tone={ended ? 'on-mark' : 'ink'}>{`+ ${clocks.length - 1}`}</Words> : null}
    </Pressable>
  );
}

/** On the wide screen: all of them in the tray. */
export function ClockTray() {
  const clocks = useClocks();
  if (clocks.length === 0) return null;
  return (
    <Section title="Clocks" count={clocks.length} className="pb-4">
      {clocks.map((clock) => (
        <Pressable
          key={clock.id}
          role="button"
          aria-label={`${clock.tag} ${clock.name}: ${sayLeft(clock.leftMs)}`}
          onPress={open(clock)}
          className="min-h-[48px] justify-center border-b border-line py-1"
        >
          <View className="flex-row items-baseline gap-2">
            <Words face="figures" size={22} tone={clock.leftMs <= 0 ? 'held' : 'ink'} role="timer">
              {sayLeft(clock.leftMs)}
            </Words>
            <Words face="stencil" size={17} className="ml-auto">
              {clock.tag}
            </Words>
          </View>
          <Words size={13} tone="ink-soft">
            {clock.name}, {clock.by}
          </Words>
        </Pressable>
      ))}
    </Section>
  );
}
