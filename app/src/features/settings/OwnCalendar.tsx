import { useState } from 'react';
import { useAsk, useRead } from '@/api';
import { Button, Failure, Section, Words } from '@/design';

/** Where one's own calendar is read by any calendar program; the address is the key to it. */
export function OwnCalendar() {
  const [isShown, setShown] = useState(false);
  const address = useRead('calendarAddress', { enabled: isShown });
  const renew = useAsk('renewCalendar');
  const origin = typeof window === 'undefined' ? '' : (window.location?.origin ?? '');
  return (
    <Section title="My calendar">
      <Words>
        Your work by the plan, and the service that falls due, for your calendar program. Whoever has the address can
        read it.
      </Words>
      {address.data ? (
        <Words face="strong">{`${origin}${address.data.path}.ics`}</Words>
      ) : (
        <Button label="Show the address" className="self-start" onPress={() => setShown(true)} />
      )}
      {address.isError || renew.isError ? <Failure sentence="The address cannot be fetched just now." /> : null}
      {address.data ? (
        <Button
          kind="stop"
          label="New address; the old one is dead"
          className="self-start"
          offBecause={renew.offBecause}
          disabled={renew.isPending}
          onPress={() => renew.mutate({})}
        />
      ) : null}
    </Section>
  );
}
