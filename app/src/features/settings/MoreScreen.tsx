import { router, type Href } from 'expo-router';
import { View } from 'react-native';
import { queryClient, useChange } from '@/api';
import { Button, Page, Section, Words } from '@/design';
import { usePerson } from '@/features/session';

/** Everything that is not one of the four places. */
export function MoreScreen() {
  const person = usePerson();
  const signOut = useChange('signOut');
  const go = (href: Href) => () => router.navigate(href);
  const leave = async () => {
    router.replace('/');
    await signOut.mutateAsync({});
    await queryClient.resetQueries();
  };
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {person.name}, {person.role}
      </Words>
      <Section title="The desk">
        {person.role === 'lead' ? <Button label="Add a unit or a model" onPress={go('/add-unit')} /> : null}
        <Button label="Hires" onPress={go('/hires')} />
        <Button label="Take in and give out lists (CSV)" onPress={go('/exchange')} />
      </Section>
      <Section title="The bench">
        {person.role === 'counter' ? null : (
          <Button label="Find the fault of an engine by itself" onPress={go('/find')} />
        )}
        <Button label="Parts, orders, exchange parts" onPress={go('/parts')} />
        <Button label="Numbers: tightening, open-air gap" onPress={go('/numbers')} />
        <Button label="What the yard has learnt" onPress={go('/learned')} />
      </Section>
      <Section title="Yours">
        <Button label="Units of measure, light and dark" onPress={go('/settings')} />
        {person.role === 'lead' ? <Button label="People" onPress={go('/people')} /> : null}
      </Section>
      <View className="pt-4">
        <Button label="Sign out" onPress={() => void leave().catch(() => undefined)} />
      </View>
    </Page>
  );
}
