import { Link } from 'expo-router';
import { View } from 'react-native';
import { useRead } from '@/api';
import { Section, Words } from '@/design';
import { ClockTray } from '@/features/clocks';
import { sayTime } from '@/writing';
import { CLASS_TAGS } from '@hudrik/core/classTags';

/** The tray at the right of the wide screen: what goes out next. */
export function NextHires() {
  const shift = useRead('shift');
  const next = (shift.data?.hires ?? []).filter((hire) => hire.state === 'booked').slice(0, 9);
  return (
    <View
      className="no-print w-[232px] border-l border-line bg-tray-deep p-3"
      role="complementary"
      aria-label="Next hires"
    >
      <ClockTray />
      <Section title="Goes out next" count={next.length}>
        {next.map((hire) => (
          <View key={hire.reference} className="flex-row items-center gap-2 border-b border-line py-2">
            <View className="min-w-0 flex-1">
              <Words face="figures" size={17}>
                {sayTime(hire.fromAt)}
              </Words>
              <Words size={13} tone="ink-soft">
                {hire.reference}
              </Words>
            </View>
            {hire.tag ? (
              <Link href={`/u/${hire.tag}`} className="font-stencil text-17 text-ink underline">
                {hire.tag}
              </Link>
            ) : (
              <Words size={13}>any {CLASS_TAGS[hire.classId].name.toLowerCase()}</Words>
            )}
          </View>
        ))}
        {next.length === 0 ? <Words tone="ink-soft">No hires booked.</Words> : null}
      </Section>
    </View>
  );
}
