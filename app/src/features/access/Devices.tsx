import type { Access } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useAsk } from '@/api';
import { Button, Card, Failure, Section, Words } from '@/design';
import { sayAgo, sayDay } from '@/writing';
import { DeviceCode } from './DeviceCode';

type Device = Access['devices'][number];

/** Phones and PCs that were let in: a lead lets in another, and puts out what was lost or sold. */
export function Devices({ access: { devices, device: own } }: { readonly access: Access }) {
  const make = useAsk('makeDeviceCode');
  return (
    <Section title="Devices" count={devices.length}>
      {make.isError ? <Failure sentence={sentenceOf(make.error)} /> : null}
      {make.data ? <DeviceCode code={make.data} /> : null}
      <Button
        kind="main"
        label={make.data ? 'Another code' : 'Let a device in'}
        offBecause={make.offBecause}
        disabled={make.isPending}
        onPress={() => make.mutate({})}
      />
      {devices.map((device) => (
        <DeviceRow key={device.id} device={device} isThis={device.id === own} />
      ))}
    </Section>
  );
}

function DeviceRow({ device, isThis }: { readonly device: Device; readonly isThis: boolean }) {
  const put = useAsk('putOutDevice');
  const [asked, setAsked] = useState(false);
  const { id, name, letInAt, letInBy, seenAt, signedIn } = device;
  return (
    <Card className="gap-2">
      {put.isError ? <Failure sentence={sentenceOf(put.error)} /> : null}
      <View className="flex-row items-center gap-3">
        <View className="min-w-0 flex-1">
          <Words face="strong">{isThis ? `${name} (this one)` : name}</Words>
          <Words size={15} tone="ink-soft">
            {`Seen ${sayAgo(seenAt)}, ${signedIn === 0 ? 'nobody signed in' : `${signedIn} signed in`}. Let in ${sayDay(letInAt)}${letInBy ? ` by ${letInBy}` : ''}.`}
          </Words>
        </View>
        {asked ? null : (
          <Button kind="quiet" label="Put out" aria-label={`Put out ${name}`} onPress={() => setAsked(true)} />
        )}
      </View>
      {asked ? (
        <>
          <Words size={15}>
            {isThis
              ? 'You put out the device you are holding: it needs a code to come back.'
              : 'Whoever is signed in on it is signed out. What waits on it stays there until it is let in again.'}
          </Words>
          <View className="flex-row flex-wrap gap-2">
            <Button
              kind="stop"
              className="grow"
              label={`Put ${name} out`}
              offBecause={put.offBecause}
              disabled={put.isPending}
              onPress={() => put.mutate({ params: { id: String(id) } })}
            />
            <Button className="grow" label="Leave it in" onPress={() => setAsked(false)} />
          </View>
        </>
      ) : null}
    </Card>
  );
}
