import type { Status } from '@hudrik/core/contracts';
import { View } from 'react-native';
import { sentenceOf, useAsk, useRead } from '@/api';
import { Button, Card, Failure, Loading, Page, Section, useIsWide, Words } from '@/design';
import { sayAgo, sayDay, sayFigure } from '@/writing';
import { sayBytes, sayTrouble, TASKS } from './sayTrouble';

const READ_EVERY_MS = 30_000;

/** How the installation stands: what is wrong first, then records, disk, backups, what waits, what is asked outside. */
export function StatusScreen() {
  const status = useRead('status', { refetchInterval: READ_EVERY_MS, staleTime: 0 });
  const wide = useIsWide();
  if (!status.data)
    return status.isError ? (
      <Failure sentence={sentenceOf(status.error)} retry={() => void status.refetch()} />
    ) : (
      <Loading what="how Hudrik stands" />
    );
  const { data } = status;
  return (
    <Page wide={wide}>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {data.troubles.length === 0 ? 'All is well with Hudrik.' : sayCount(data.troubles.length)}
      </Words>
      {data.troubles.map((trouble) => (
        <View key={trouble} className="border-l-[6px] border-held bg-card p-3" role="alert">
          <Words face="strong">{sayTrouble(trouble, data)}</Words>
        </View>
      ))}
      <View className={wide ? 'flex-row items-start gap-6' : 'gap-5'}>
        <View className={wide ? 'min-w-0 flex-1 gap-5' : 'gap-5'}>
          <Backups status={data} />
          <Waiting waiting={data.devices.waiting} />
          <Queue queue={data.queue} />
          <Tasks tasks={data.tasks} />
        </View>
        <View className={wide ? 'min-w-0 flex-1 gap-5' : 'gap-5'}>
          <Records status={data} />
          <Outside outside={data.outside} />
        </View>
      </View>
      <Button
        className="self-start"
        label={status.isFetching ? 'Looking…' : 'Look again'}
        disabled={status.isFetching}
        onPress={() => void status.refetch()}
      />
    </Page>
  );
}

const sayCount = (count: number): string => (count === 1 ? 'One thing is wrong.' : `${count} things are wrong.`);

/** A name with what is so, on one line. */
const Line = ({ name, value }: { readonly name: string; readonly value: string }) => (
  <View className="flex-row items-baseline gap-3 border-b border-line py-1">
    <Words size={15} className="w-[130px]" tone="ink-soft">
      {name}
    </Words>
    <Words className="min-w-0 flex-1">{value}</Words>
  </View>
);

function Backups({ status: { backups } }: { readonly status: Status }) {
  const write = useAsk('backUpNow');
  const { folder, keep, last } = backups;
  return (
    <Section title="Backups">
      {write.isError ? <Failure sentence={sentenceOf(write.error)} /> : null}
      {folder === null ? (
        <Words>None is written by itself here. From the command line: npm run hudrik -- backup FILE.</Words>
      ) : (
        <>
          <Line
            name="The last good one"
            value={last ? `${sayDay(last.at)}: ${sayFigure(last.rows, 0)} rows, ${sayBytes(last.bytes)}` : 'none yet'}
          />
          <Line name="Each night at two" value={`the newest ${keep} are kept in ${folder}`} />
          <Words size={15}>Copy that folder to another place: a disk that fails takes both with it.</Words>
          <Button
            className="self-start"
            label={write.isSuccess ? 'It is being written' : 'Write one now'}
            offBecause={write.offBecause}
            disabled={write.isPending || write.isSuccess}
            onPress={() => write.mutate({})}
          />
        </>
      )}
    </Section>
  );
}

function sayCopy({ isThere, tookOver, behindBytes, behindSeconds }: NonNullable<Status['copy']>): string {
  if (!isThere) return 'is away';
  if (tookOver) return 'has taken over';
  if (!behindBytes) return 'is level with them';
  return `is ${sayFigure(behindSeconds ?? 0, 0)} s behind, ${sayBytes(behindBytes)}`;
}

function Records({ status: { database, disk, devices, copy, version, startedAt } }: { readonly status: Status }) {
  return (
    <Section title="Records and machine">
      <Line name="Hudrik" value={`${version}, up since ${sayDay(startedAt)}`} />
      <Line name="Database" value={`PostgreSQL ${database.version}, at ${database.migration}`} />
      <Line name="Records" value={`about ${sayFigure(database.records, 0)}, ${sayBytes(database.bytes)}`} />
      <Line
        name="Guarded by"
        value={`role ${database.role}, page checksums ${database.hasChecksums ? 'on' : 'off'}, ${database.connections} connections`}
      />
      <Line
        name="Disk"
        value={disk ? `${sayBytes(disk.freeBytes)} free of ${sayBytes(disk.totalBytes)}` : 'not known'}
      />
      {copy ? <Line name="Its copy" value={sayCopy(copy)} /> : null}
      <Line
        name="Devices"
        value={`${devices.letIn} let in, ${devices.seenToday} seen today, ${devices.signedIn} ${devices.signedIn === 1 ? 'sign-in' : 'sign-ins'} open`}
      />
    </Section>
  );
}

/** What was entered on devices and is not here yet: nobody else has it. */
const Waiting = ({ waiting }: { readonly waiting: Status['devices']['waiting'] }) =>
  waiting.length === 0 ? null : (
    <Section title="Not sent yet">
      {waiting.map(({ name, count, since, seenAt }) => (
        <Line
          key={`${name} ${seenAt}`}
          name={name}
          value={`${count === 1 ? 'one entry' : `${count} entries`}${since === null ? '' : `, the oldest ${sayAgo(since)}`}; the device was seen ${sayAgo(seenAt)}`}
        />
      ))}
    </Section>
  );

function Queue({ queue: { waiting, oldestAt, failing } }: { readonly queue: Status['queue'] }) {
  return (
    <Section title="In the background">
      <Words>
        {waiting === 0 || oldestAt === null
          ? 'Nothing waits.'
          : `${waiting === 1 ? 'One piece of work waits' : `${waiting} pieces of work wait`}, the oldest ${sayAgo(oldestAt)}.`}
      </Words>
      {failing.map(({ task, tries, why }) => (
        <Card key={`${task} ${why}`}>
          <Words size={15}>{`${task}: tried ${tries === 1 ? 'once' : `${tries} times`}. ${why}`}</Words>
        </Card>
      ))}
    </Section>
  );
}

/** What is done again and again: what does not go well, each by itself. */
function Tasks({ tasks }: { readonly tasks: Status['tasks'] }) {
  const unwell = tasks.filter(({ wellAt, failures }) => wellAt === null || failures > 0);
  return (
    <Section title="Done again and again">
      {unwell.length === 0 ? <Words>All of it went well the last time.</Words> : null}
      {unwell.map(({ task, wellAt, failures }) => (
        <Line
          key={task}
          name={TASKS[task]}
          value={`${wellAt === null ? 'not yet' : `went well ${sayAgo(wellAt)}`}${failures === 0 ? '' : `; failed ${failures === 1 ? 'once' : `${failures} times`} since`}`}
        />
      ))}
    </Section>
  );
}

const Outside = ({ outside }: { readonly outside: Status['outside'] }) => (
  <Section title="Asked outside">
    {outside.map(({ name, answeredAt, problem }) => (
      <Line
        key={name}
        name={name}
        value={`${answeredAt ? `answered ${sayAgo(answeredAt)}` : 'never answered'}${problem ? `; ${problem}` : ''}`}
      />
    ))}
  </Section>
);
