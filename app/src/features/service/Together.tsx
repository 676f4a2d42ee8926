import { SERVICE_ITEMS, stepsOfService, workOfItem, type ServiceItem } from '@hudrik/core/catalogue';
import type { UnitService } from '@hudrik/core/contracts';
import { doneBySteps, itemsWithJobs } from '@hudrik/core/service';
import { useState } from 'react';
import { sentenceOf, useSigns } from '@/api';
import { Button, Card, Failure, Words } from '@/design';
import { useEntry } from '@/outbox';
import { sayWhen } from './sayService';

/** A visit further off than this is told, and not raised yet: much may run or stand until then. */
const RAISED_WITHIN_DAYS = 14;

export const itemOf = (id: string): ServiceItem | undefined => SERVICE_ITEMS.find((item) => item.id === id);

/** Raises the jobs of some items together, once: what another of them does is not raised by itself. */
function useRaise(tag: string, ids: readonly string[]) {
  const raise = useEntry('job-raised');
  const [raising, setRaising] = useState<'not-yet' | 'under-way' | readonly string[]>('not-yet');
  const items = ids.flatMap((id) => itemOf(id) ?? []);
  const own = itemsWithJobs(items, (item) => doneBySteps(stepsOfService(workOfItem(item)), SERVICE_ITEMS));
  // All of them are kept on this device at once: who leaves the page loses none. What one refusal stops is told.
  const raiseAll = async (): Promise<void> => {
    setRaising('under-way');
    const refused = await Promise.all(
      own.map((item) => {
        const { name, minutes } = item;
        const facts = { kind: 'service', work: workOfItem(item), title: name, minutes, blocks: 'none' } as const;
        return raise.mutateAsync({ facts, on: { tag } }).then(
          () => '',
          (error: Error) => `${name}: ${sentenceOf(error)}`,
        );
      }),
    );
    setRaising(refused.filter(Boolean));
  };
  return {
    items,
    own,
    raiseAll: () => void raiseAll(),
    isOff: raising !== 'not-yet',
    refused: Array.isArray(raising) ? raising.join(' ') : '',
  };
}

/** The next visit that pays: what to do in it, and what that saves against each by itself. */
export function Together({ service }: { readonly service: Pick<UnitService, 'tag' | 'visits' | 'savedMinutes'> }) {
  const signs = useSigns();
  const next = service.visits[0];
  const { items, own, raiseAll, isOff, refused } = useRaise(service.tag, next?.ids ?? []);
  if (next === undefined) return null;
  const minutes = own.reduce((sum, item) => sum + item.minutes, 0);
  const mayRaise = signs && next.inDays <= RAISED_WITHIN_DAYS;
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
          disabled={isOff}
          onPress={raiseAll}
        />
      ) : null}
      {refused ? <Failure sentence={refused} /> : null}
    </Card>
  );
}
