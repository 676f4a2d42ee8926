import { router, type Href } from 'expo-router';
import { View } from 'react-native';
import { forgetReads, queryClient, useAsk, usePerson } from '@/api';
import { Button, Page, Section, Words } from '@/design';
import { useWaiting } from '@/outbox';

/** Everything that is not one of the four places. */
export function MoreScreen() {
  const person = usePerson();
  const signOut = useAsk('signOut');
  const waiting = useWaiting().items.filter((item) => item.state !== 'sent').length;
  const go = (href: Href) => () => router.navigate(href);
  const leave = async () => {
    router.replace('/');
    await signOut.mutateAsync({});
    await forgetReads();
    await queryClient.resetQueries();
  };
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {person.name}, {person.role}
      </Words>
      <Section title="The desk">
        {person.role === 'lead' ? <Button label="Set the yard up" onPress={go('/set-up')} /> : null}
        {person.role === 'lead' ? <Button label="Add a unit or a model" onPress={go('/add-unit')} /> : null}
        <Button label="Hires" onPress={go('/hires')} />
        <Button label="Import and export lists (CSV)" onPress={go('/exchange')} />
      </Section>
      <Section title="The workshop">
        {person.role === 'counter' ? null : (
          <Button label="Find the fault of an engine without a tag" onPress={go('/find')} />
        )}
        <Button label="Service: what falls due" onPress={go('/service')} />
        <Button label="Fuel store" onPress={go('/fuel')} />
        <Button label="Lay-up and waking" onPress={go('/lay-up')} />
        <Button label="Parts, orders, exchange parts" onPress={go('/parts')} />
        <Button label="Numbers: tightening, open-air gap" onPress={go('/numbers')} />
        <Button label="What the yard has learned" onPress={go('/learned')} />
      </Section>
      <Section title="This device">
        <Button
          label={waiting === 0 ? 'Waiting to be sent' : `Waiting to be sent: ${waiting}`}
          onPress={go('/waiting')}
        />
        <Button label="Settings" onPress={go('/settings')} />
        <Button label="Devices and sign-ins" onPress={go('/access')} />
        {person.role === 'lead' ? <Button label="How Hudrik stands" onPress={go('/status')} /> : null}
        {person.role === 'lead' ? <Button label="People" onPress={go('/people')} /> : null}
      </Section>
      <View className="pt-4">
        <Button label="Sign out" offBecause={signOut.offBecause} onPress={() => void leave().catch(() => undefined)} />
      </View>
    </Page>
  );
}
