import type { BenchReply, JobLine } from '@hudrik/core/contracts';
import { Link, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useSigns, useRead } from '@/api';
import { Empty, Failure, Loading, Page, Section, Sheet, useIsWide } from '@/design';
import { JobRow } from '@/features/unit';
import { BenchTools } from './BenchTools';
import { Lanes } from './Lanes';
import { NextOnPhone } from './NextOnPhone';
import { PlanHead } from './PlanHead';
import { useBench, type BenchHandle } from './useBench';
import { VisitPanel } from './VisitPanel';

/** The plan of the bench, and under it all open jobs. */
export function BenchScreen() {
  const handle = useBench();
  const wide = useIsWide();
  if (!handle.data)
    return handle.isError ? (
      <Failure sentence="The bench cannot be fetched just now." retry={() => void handle.refetch()} />
    ) : (
      <Loading what="the bench" />
    );
  return (
    <Page wide={wide}>
      <PlanHead bench={handle.data} handle={handle} />
      {wide ? <WidePlan bench={handle.data} handle={handle} /> : <PhonePlan bench={handle.data} handle={handle} />}
      <AllJobs />
    </Page>
  );
}

interface Props {
  readonly bench: BenchReply;
  readonly handle: BenchHandle;
}

function PhonePlan({ bench, handle }: Props) {
  const [chosen, choose] = useState<string | null>(null);
  const visit = bench.visits.find(({ id }) => id === chosen);
  return (
    <>
      <NextOnPhone bench={bench} onChoose={choose} />
      <BenchTools bench={bench} />
      {visit ? (
        <Sheet title={`${visit.tag} in the plan`} open onClose={() => choose(null)}>
          <VisitPanel bench={bench} handle={handle} visit={visit} />
        </Sheet>
      ) : null}
    </>
  );
}

function WidePlan({ bench, handle }: Props) {
  const mayMove = useSigns();
  const [chosen, choose] = useState<string | null>(null);
  const visit = bench.visits.find(({ id }) => id === chosen);
  return (
    <>
      <BenchTools bench={bench} />
      {bench.people.length === 0 ? (
        <Empty sentence="Nobody works at the bench. Say who works when, and the plan is made." />
      ) : (
        <Lanes bench={bench} handle={handle} chosen={chosen} mayMove={mayMove} onChoose={choose} />
      )}
      {visit ? <VisitPanel bench={bench} handle={handle} visit={visit} /> : null}
    </>
  );
}

/** All open jobs: what is on the bench, what holds a unit, what is small. */
function AllJobs() {
  const jobs = useRead('jobs', { query: { state: 'open' } });
  const { job: chosen } = useLocalSearchParams<{ job?: string }>();
  const wide = useIsWide();
  if (!jobs.data) return null;
  const all = [...jobs.data.jobs].sort((a, b) => Number(b.id === chosen) - Number(a.id === chosen));
  const groups: readonly [string, JobLine[]][] = [
    ['On the bench', all.filter((job) => job.state === 'open')],
    ['Holds a unit', all.filter((job) => job.state !== 'open' && job.blocks === 'hold')],
    ['Prep and service', all.filter((job) => job.state !== 'open' && job.blocks !== 'hold')],
  ];
  return (
    <View className={wide ? 'flex-row items-start gap-4' : 'gap-5'}>
      {groups.map(([title, group]) => (
        <Section key={title} title={title} count={group.length} className={wide ? 'min-w-0 flex-1' : ''}>
          {group.length === 0 ? <Empty sentence="Nothing here." /> : null}
          {group.map((job) => (
            <View key={job.id} className={job.id === chosen ? 'border-l-[6px] border-ink' : ''}>
              <JobRow
                job={job}
                title={
                  <Link href={`/u/${job.tag}`} className="font-stencil text-22 text-ink underline">
                    {job.tag}
                  </Link>
                }
              />
            </View>
          ))}
        </Section>
      ))}
    </View>
  );
}
