import type { Person } from '@hudrik/core/contracts';
import { View } from 'react-native';
import { queryClient, readKey, sentenceOf, usePerson } from '@/api';
import { Choice, Failure, Page, Section, Words } from '@/design';
import { OwnCalendar } from './OwnCalendar';
import { YardSettings } from './YardSettings';
import { useChange } from '@/outbox';

type Preferences = Person['preferences'];

/** Units of measure and the theme, kept with the person; how the yard writes, for a lead. */
export function SettingsScreen() {
  const me = usePerson();
  const { preferences, role } = me;
  const change = useChange('setPreferences');
  const set = async (next: Partial<Preferences>) => {
    // Until it was taken, it is so on this device.
    const person = (await change.mutateAsync({ body: { ...preferences, ...next } })) ?? {
      ...me,
      preferences: { ...preferences, ...next },
    };
    queryClient.setQueryData(readKey('me'), person);
  };
  const choice = <K extends keyof Preferences>(name: K, value: Preferences[K], label: string) => (
    <Choice
      key={value}
      className="flex-1"
      label={label}
      on={preferences[name] === value}
      onPress={() => void set({ [name]: value }).catch(() => undefined)}
    />
  );
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        Settings
      </Words>
      {change.isError ? <Failure sentence={sentenceOf(change.error)} /> : null}
      <Section title="Units of measure">
        <View className="flex-row gap-2">
          {choice('units', 'inch', 'inch, psi, lbf·ft')}
          {choice('units', 'metric', 'mm, kPa, N·m')}
        </View>
        <Words size={15} tone="ink-soft">
          Readings keep the unit in which they were entered.
        </Words>
      </Section>
      <Section title="Light and dark">
        <View className="flex-row gap-2">
          {choice('theme', 'light', 'Yard (light)')}
          {choice('theme', 'dark', 'Shed (dark)')}
          {choice('theme', 'system', 'As the device')}
        </View>
      </Section>
      <OwnCalendar />
      {role === 'lead' ? <YardSettings /> : null}
    </Page>
  );
}
