import {
  saySource,
  SERVICE_ITEMS,
  shortSource,
  stepsOfService,
  workOfItem,
  type ServiceItem,
} from '@hudrik/core/catalogue';
import type { ServiceItemState, UnitService } from '@hudrik/core/contracts';
import { doneBySteps, itemsWithJobs } from '@hudrik/core/service';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, usePerson, useRead } from '@/api';
import { Button, Card, Failure, LeftScale, Section, Whence, Words } from '@/design';
import { useEntry } from '@/outbox';
import { sayDue, sayEvery, sayLeft, sayWhen } from './sayService';

/** A visit further off than this is told, and not raised yet: much may run or stand until then. */
const RAISED_WITHIN_DAYS = 14;

const itemOf = (id: string): ServiceItem | undefined => SERVICE_ITEMS.find((item) => item.id === id);

/** Each item of the unit's service plan with what is left of it; what is best done together, and when. */
export function ServiceOfUnit({ tag }: { readonly tag: string }) {
  const { data, isError, refetch } = useRead('unitService', { params: { tag } });
  if (data === undefined)
    return isError ? (
      <Failure sentence="The service plan cannot be fetched just now." retry={() => void refetch()} />
    ) : null;
  return (
    <Section title="Service" count={data.items.filter((item) => item.share <= 0).length || undefined}>
      <Together key={data.visits[0]?.ids.join()} service={data} />
      {data.items.map((state) => (
        <ItemLine key={state.id} state={state} />
      ))}
    </Section>
  );
}

function ItemLine({ state }: { readonly state: ServiceItemState }) {
  const item = itemOf(state.id);
  if (item === undefined) return null;
  const { jobId } = state;
  return (
    <View className="gap-1 border-b border-line py-2">
      <View className="flex-row items-baseline justify-between gap-3">
        <Words face="strong" className="shrink">
          {item.name}
        </Words>
        <Words face="figures" size={17} tone={state.share < 0 ? 'held' : 'ink'} className="shrink text-right">
          {sayLeft(state)}
        </Words>
      </View>
      <LeftScale label={`${item.name}: what is left`} left={state.share} />
      <Words size={13} tone="ink-soft">
        {sayDue(state)}
      </Words>
      {state.runsOutDuring === null ? null : (
        <Words size={15} face="strong" tone="prep">{`Runs out before hire ${state.runsOutDuring} is back.`}</Words>
      )}
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <Whence
          short={`${sayEvery(item)} (${shortSource(item.source)})`}
          words={`${sayEvery(item)}: ${saySource(item.source)}. The maker’s manual comes first.`}
        />
        {jobId === null ? null : (
          <Button
            kind="quiet"
            label="On the card"
            aria-label={`${item.name}: on the card`}
            onPress={() => router.navigate(`/j/${jobId}`)}
          />
        )}
      </View>
    </View>
  );
}

/** The next visit that pays: what to do in it, and what that saves against each by itself. */
function Together({ service }: { readonly service: UnitService }) {
  const { role } = usePerson();
  const raise = useEntry('job-raised');
  const [raising, setRaising] = useState<'not-yet' | 'under-way' | readonly string[]>('not-yet');
  const next = service.visits[0];
  if (next === undefined) return null;
  const items = next.ids.flatMap((id) => itemOf(id) ?? []);
  const own = itemsWithJobs(items, (item) => doneBySteps(stepsOfService(workOfItem(item)), SERVICE_ITEMS));
  const minutes = own.reduce((sum, item) => sum + item.minutes, 0);
  const mayRaise = (role === 'technician' || role === 'lead') && next.inDays <= RAISED_WITHIN_DAYS;
  // What one refusal stops is told; the rest is raised all the same. Once is enough: without a connection they wait on this device.
  const raiseAll = async (): Promise<void> => {
    setRaising('under-way');
    const refused: string[] = [];
    for (const item of own) {
      const facts = {
        kind: 'service',
        work: workOfItem(item),
        title: item.name,
        minutes: item.minutes,
        blocks: 'none',
      } as const;
      await raise
        .mutateAsync({ facts, on: { tag: service.tag } })
        .catch((error: Error) => refused.push(`${item.name}: ${sentenceOf(error)}`));
    }
    setRaising(refused);
  };
  return (
    <Card className="gap-2">
      <Words face="strong">{`${sayWhen(next.inDays)}: ${items.map((item) => item.name).join(', ')}`}</Words>
      <Words size={15} tone="ink-soft">
        {[
          `${minutes} min at the bench`,
          service.savedMinutes > 0 &&
            `grouped over the next 120 days it saves ${service.savedMinutes} min against each by itself`,
        ]
          .filter(Boolean)
          .join('; ')}
      </Words>
      {mayRaise ? (
        <Button
          label={own.length === 1 ? 'Raise this job' : `Raise these ${own.length} jobs`}
          disabled={raising !== 'not-yet'}
          onPress={() => void raiseAll()}
        />
      ) : null}
      {Array.isArray(raising) && raising.length > 0 ? <Failure sentence={raising.join(' ')} /> : null}
    </Card>
  );
}
