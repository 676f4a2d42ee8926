import type { Access } from '@hudrik/core/contracts';
import { View } from 'react-native';
import { sentenceOf, useAsk, usePerson, useRead } from '@/api';
import { Button, Card, Failure, Loading, Page, Section, Words } from '@/design';
import { sayAgo, sayDay } from '@/writing';
import { Devices } from './Devices';
import { OwnPin } from './OwnPin';
import { useChange } from '@/outbox';

/** Where one is signed in, one’s PIN, and who got it wrong; for a lead everybody’s, and the devices. */
export function AccessScreen() {
  const access = useRead('access', { staleTime: 0 });
  const { role } = usePerson();
  if (!access.data)
    return access.isError ? (
      <Failure sentence={sentenceOf(access.error)} retry={() => void access.refetch()} />
    ) : (
      <Loading what="devices and sign-ins" />
    );
  const { data } = access;
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {sayAccess(data, role === 'lead')}
      </Words>
      <WrongPins wrong={data.wrongPins} />
      {role === 'lead' ? <Devices access={data} /> : null}
      <Sessions sessions={data.sessions} />
      <OwnPin isShort={data.isPinShort} />
    </Page>
  );
}

function sayAccess({ sessions, devices, wrongPins }: Access, isLead: boolean): string {
  const places = sessions.length === 1 ? 'Signed in here alone' : `Signed in ${sessions.length} times`;
  const let_in = devices.length === 1 ? 'one device is let in' : `${devices.length} devices are let in`;
  const wrong = wrongPins.some(({ isNew }) => isNew) ? '; wrong PINs came in' : '';
  return isLead ? `${let_in[0]?.toUpperCase()}${let_in.slice(1)}${wrong}.` : `${places}${wrong}.`;
}

function WrongPins({ wrong }: { readonly wrong: Access['wrongPins'] }) {
  const { id } = usePerson();
  const seen = useChange('wrongPinsSeen');
  if (wrong.length === 0) return null;
  return (
    <Section title="Wrong PINs, last 30 days" count={wrong.reduce((sum, { count }) => sum + count, 0)}>
      {wrong.map(({ personId, person, device, count, lastAt, isNew }) => (
        <Words key={`${personId} ${device}`} face={isNew ? 'strong' : 'text'} tone={isNew ? 'held' : 'ink'}>
          {`${person} on ${device}: ${count === 1 ? 'once' : `${count} times`}, last ${sayDay(lastAt)}`}
        </Words>
      ))}
      {wrong.some(({ isNew, personId }) => isNew && personId === id) ? (
        <Button className="self-start" label="That was me" onPress={() => seen.mutate({})} />
      ) : null}
    </Section>
  );
}

function Sessions({ sessions }: { readonly sessions: Access['sessions'] }) {
  const end = useAsk('endSession');
  const { id: own } = usePerson();
  return (
    <Section title="Signed in" count={sessions.length}>
      {end.isError ? <Failure sentence={sentenceOf(end.error)} /> : null}
      {sessions.map(({ id, personId, person, device, seenAt, isThis }) => (
        <Card key={id} className="flex-row items-center gap-3">
          <View className="min-w-0 flex-1">
            <Words face="strong">{`${personId === own ? 'You' : person} on ${device}`}</Words>
            <Words size={15} tone="ink-soft">
              {isThis ? 'Here, now' : `Seen ${sayAgo(seenAt)}`}
            </Words>
          </View>
          {isThis ? null : (
            <Button
              kind="quiet"
              label="Sign out"
              aria-label={`Sign out ${person} on ${device}`}
              offBecause={end.offBecause}
              disabled={end.isPending}
              onPress={() => end.mutate({ params: { id: String(id) } })}
            />
          )}
        </Card>
      ))}
    </Section>
  );
}
