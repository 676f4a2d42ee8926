import { router, usePathname, type Href } from 'expo-router';
import ClipboardList from 'lucide-react-native/icons/clipboard-list';
import Ellipsis from 'lucide-react-native/icons/ellipsis';
import Hammer from 'lucide-react-native/icons/hammer';
import LogIn from 'lucide-react-native/icons/log-in';
import Tag from 'lucide-react-native/icons/tag';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { Sheet, useInk, useIsWide, useKeys, Words, type KeyBinding } from '@/design';
import { ClockStrip } from '@/features/clocks';
import { WaitingStrip } from './WaitingStrip';
import { NextHires } from './NextHires';

interface Place {
  readonly href: Href & string;
  readonly name: string;
  readonly key: string;
  readonly Icon: typeof Tag;
}

const PLACES: readonly Place[] = [
  { href: '/', name: 'Shift', key: 'g s', Icon: ClipboardList },
  { href: '/yard', name: 'Yard', key: 'g y', Icon: Tag },
  { href: '/check-in', name: 'Check in', key: 'c', Icon: LogIn },
  { href: '/bench', name: 'Bench', key: 'g b', Icon: Hammer },
  { href: '/more', name: 'More', key: 'g m', Icon: Ellipsis },
];

/** The frame round every screen: places along the bottom on the phone; rail, work and tray on the wide screen. */
export function Frame({ children }: { readonly children: React.ReactNode }) {
  const wide = useIsWide();
  const [help, setHelp] = useState(false);
  const keys = useMemo(() => placeKeys(() => setHelp(true)), []);
  const helpKey = useMemo(() => keys.filter((binding) => binding.keys === '?'), [keys]);
  const path = usePathname();
  const checksIn = /^\/u\/.*\/check-in$/.test(path);
  const findsFault = /^(\/u\/.*)?\/find$/.test(path);
  const atCard = path.startsWith('/j/');
  // In the middle of a check-in or a finding a stray letter must not lead away from it.
  useKeys(checksIn || findsFault || atCard ? helpKey : keys);
  // The shift has its own line of time.
  const hasTray = wide && path !== '/' && !findsFault && !atCard;
  return (
    <View className={`flex-1 bg-tray ${wide ? 'flex-row' : ''}`}>
      {wide ? <Rail /> : null}
      <View className="min-w-0 flex-1" role="main">
        <WaitingStrip />
        {wide && !hasTray ? <ClockStrip /> : null}
        {children}
      </View>
      {hasTray ? <NextHires /> : null}
      {wide ? null : <ClockStrip />}
      {wide || checksIn ? null : <BottomBar />}
      <Sheet title="Keys" open={help} onClose={() => setHelp(false)}>
        {[...keys, ...LIST_KEYS].map((binding) => (
          <View key={binding.keys} className="flex-row items-center gap-4">
            <Words face="figures" size={22} className="w-[88px]">
              {binding.keys}
            </Words>
            <Words>{binding.does}</Words>
          </View>
        ))}
      </Sheet>
    </View>
  );
}

const LIST_KEYS = [
  { keys: 'j  k', does: 'Next and previous unit of the yard' },
  { keys: 'Enter', does: 'Open it' },
  { keys: '0 – 9', does: 'Type the figures of a tag to jump to it (yard, check in)' },
  { keys: '1 – 9', does: 'Find the fault: the answers; 0 could not tell, o another check' },
];

const placeKeys = (showHelp: () => void): readonly KeyBinding[] => [
  ...PLACES.map((place) => ({ keys: place.key, does: place.name, run: () => router.navigate(place.href) })),
  { keys: 'g p', does: 'Parts', run: () => router.navigate('/parts') },
  { keys: 'g h', does: 'Hires', run: () => router.navigate('/hires') },
  { keys: 'g v', does: 'Service', run: () => router.navigate('/service') },
  { keys: '/', does: 'Find a tag', run: () => router.navigate('/yard?find=1') },
  { keys: '?', does: 'This sheet', run: showHelp },
];

const isAt = (path: string, href: string): boolean =>
  href === '/' ? path === '/' : path.startsWith(href) || (href === '/bench' && path.startsWith('/j/'));

function BottomBar() {
  const path = usePathname();
  const ink = useInk();
  return (
    <View className="no-print flex-row items-end border-t-2 border-ink bg-tray-deep px-1 pb-1" role="navigation">
      {PLACES.map(({ href, name, Icon }) => {
        const raised = href === '/check-in';
        const here = isAt(path, href);
        return (
          <Pressable
            key={href}
            role="link"
            aria-current={here ? 'page' : undefined}
            onPress={() => router.navigate(href)}
            className={`min-h-[58px] flex-1 items-center justify-center ${raised ? '-mt-3 min-h-[74px] rounded-t-[4px] bg-mark' : here ? 'border-t-4 border-ink' : 'border-t-4 border-transparent'}`}
          >
            <Icon size={raised ? 28 : 24} color={ink(raised ? 'on-mark' : 'ink')} />
            <Words size={13} face={here || raised ? 'strong' : 'text'} tone={raised ? 'on-mark' : 'ink'}>
              {name}
            </Words>
          </Pressable>
        );
      })}
    </View>
  );
}

function Rail() {
  const path = usePathname();
  const ink = useInk();
  return (
    <View className="no-print w-[120px] gap-1 border-r-2 border-ink bg-tray-deep p-2" role="navigation">
      <Words face="stencil" size={22} className="px-1 pb-3 pt-1">
        HUDRIK
      </Words>
      {PLACES.map(({ href, name, key, Icon }) => {
        const here = isAt(path, href);
        return (
          <Pressable
            key={href}
            role="link"
            aria-current={here ? 'page' : undefined}
            onPress={() => router.navigate(href)}
            className={`min-h-[56px] justify-center gap-1 px-2 ${here ? 'bg-mark' : ''}`}
          >
            <View className="flex-row items-center justify-between">
              <Icon size={22} color={ink(here ? 'on-mark' : 'ink')} />
              <Words face="figures" size={13} tone={here ? 'on-mark' : 'ink-soft'}>
                {key}
              </Words>
            </View>
            <Words size={15} face={here ? 'strong' : 'text'} tone={here ? 'on-mark' : 'ink'}>
              {name}
            </Words>
          </Pressable>
        );
      })}
      <Words size={13} tone="ink-soft" className="mt-auto px-1">
        ? for keys
      </Words>
    </View>
  );
}
