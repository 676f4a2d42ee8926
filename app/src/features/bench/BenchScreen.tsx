import type { JobLine } from '@hudrik/core/contracts';
import { Link, useLocalSearchParams } from 'expo-router';
import { View } from 'react-native';
import { useRead } from '@/api';
import { Empty, Failure, Loading, Page, Section, useIsWide, Words } from '@/design';
import { sayMinutes } from '@/writing';
import { JobRow } from '@/features/unit';

/** All open jobs: what is on the bench, what holds a unit, what is small. */
export function BenchScreen() {
  const jobs = useRead('jobs', { query: { state: 'open' } });
  const { job: chosen } = useLocalSearchParams<{ job?: string }>();
  const wide = useIsWide();
  if (!jobs.data)
    return jobs.isError ? (
      <Failure sentence="The bench cannot be fetched just now." retry={() => void jobs.refetch()} />
    ) : (
      <Loading what="the bench" />
    );
  const all = [...jobs.data.jobs].sort((a, b) => Number(b.id === chosen) - Number(a.id === chosen));
  const groups: readonly [string, JobLine[]][] = [
    ['On the bench', all.filter((job) => job.state === 'open')],
    ['Holds a unit', all.filter((job) => job.state !== 'open' && job.blocks === 'hold')],
    ['Prep and service', all.filter((job) => job.state !== 'open' && job.blocks !== 'hold')],
  ];
  const minutes = all.reduce((sum, job) => sum + job.minutes, 0);
  return (
    <Page wide={wide}>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {all.length === 0 ? 'The bench is clear.' : `${all.length} jobs, ${sayMinutes(minutes)} of hands-on work.`}
      </Words>
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
    </Page>
  );
}
