import type { Shift } from '@hudrik/core/contracts';
import { ScrollView, View } from 'react-native';
import { ReadinessMark, Section, Words } from '@/design';
import { sayAs } from '@/writing';

/** The next days' comings and goings on one line of time, beside the column on the wide screen. */
export function TimeRail({ shift }: { readonly shift: Shift }) {
  const events = shift.hires
    .map((hire) =>
      hire.state === 'booked' ? { at: hire.fromAt, goes: true, hire } : { at: hire.toAt, goes: false, hire },
    )
    .filter((event) => Date.parse(event.at) > Date.parse(shift.at) - 86_400_000)
    .sort((a, b) => a.at.localeCompare(b.at));
  const notFit = new Set(shift.soon.map((line) => line.reference));
  const days = [...new Set(events.map((event) => sayAs(event.at, 'EEEE d MMM')))];
  return (
    <ScrollView
      tabIndex={0}
      aria-label="The next days"
      className="w-[288px] flex-none border-l border-line"
      contentContainerClassName="gap-5 p-4"
    >
      {days.map((day) => (
        <Section key={day} title={day}>
          {events
            .filter((event) => sayAs(event.at, 'EEEE d MMM') === day)
            .map(({ at, goes, hire }) => (
              <View key={hire.reference} className="flex-row items-center gap-3 border-l-4 border-ink pl-3">
                <Words face="figures" size={17} className="w-[44px]">
                  {sayAs(at, 'HH:mm')}
                </Words>
                <Words size={15} className="w-[44px]">
                  {goes ? 'out' : 'back'}
                </Words>
                <Words face="stencil" size={17} className="flex-1">
                  {hire.tag ?? 'any'}
                </Words>
                {notFit.has(hire.reference) ? <ReadinessMark of="held" size={18} /> : null}
              </View>
            ))}
        </Section>
      ))}
    </ScrollView>
  );
}
