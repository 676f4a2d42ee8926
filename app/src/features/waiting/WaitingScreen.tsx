import { kindOf } from '@hudrik/core/log';
import { router, type Href } from 'expo-router';
import { memo, useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, Refused, usePerson } from '@/api';
import { Button, Card, Empty, Failure, Page, Section, Words } from '@/design';
import { restoreDraft } from '@/features/checkin';
import { isBy, isEntry, outbox, useWaiting, type EntryItem, type Item } from '@/outbox';
import { sayDay } from '@/writing';
import { sayTrouble } from './say';
import { sayItem } from './sayItem';
import { whatToDo } from './whatToDo';

/** All that was made on this device and has not reached the server: whose it is, why it waits, and what can be done. */
export function WaitingScreen() {
  const person = usePerson();
  const { items, trouble } = useWaiting();
  const open = items.filter((item) => item.state !== 'sent');
  const mine = open.filter((item) => isBy(item.maker, person));
  const unknown = open.filter((item) => item.maker === null);
  const others = open.filter((item) => item.maker !== null && !isBy(item.maker, person));
  const names = [...new Set(others.map((item) => item.maker?.name ?? ''))];
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {open.length === 0 ? 'Everything made on this device was sent.' : sayCount(open)}
      </Words>
      {trouble ? <Failure sentence={sayTrouble(trouble)} /> : null}
      {mine.some((item) => item.state === 'waiting') ? (
        <Button kind="main" label="Try to send now" onPress={() => outbox().tryNow()} />
      ) : null}
      <Group title="Yours" items={mine} />
      {names.map((name) => (
        <Group
          key={name}
          title={`Of ${name}`}
          sentence={`They are sent when ${name} signs in on this device. Nobody else can discard them.`}
          items={others.filter((item) => item.maker?.name === name)}
        />
      ))}
      <Group
        title="Of nobody known"
        sentence="These were made with an earlier version, which did not keep who made them."
        items={unknown}
      />
      {open.length === 0 ? (
        <Empty sentence="What you do without a connection waits here until the yard’s server answers." />
      ) : null}
    </Page>
  );
}

const sayCount = (open: readonly Item[]): string =>
  open.length === 1
    ? 'One thing made on this device was not sent.'
    : `${open.length} things made on this device were not sent.`;

interface GroupProps {
  readonly title: string;
  readonly sentence?: string;
  readonly items: readonly Item[];
}

function Group({ title, sentence, items }: GroupProps) {
  if (items.length === 0) return null;
  return (
    <Section title={title} count={items.length}>
      {sentence ? <Words size={15}>{sentence}</Words> : null}
      {items.map((item) => (
        <OneItem key={item.id} item={item} />
      ))}
    </Section>
  );
}

const OneItem = memo(function OneItem({ item }: { readonly item: Item }) {
  return (
    <Card className="gap-2">
      <View className="flex-row items-baseline gap-3">
        {item.on.tag ? (
          <Words face="stencil" size={22}>
            {item.on.tag}
          </Words>
        ) : null}
        <Words face="strong" className="min-w-0 flex-1">
          {sayItem(item)}
        </Words>
      </View>
      <Words size={13} tone="ink-soft">
        {[sayDay(item.madeAt), item.maker?.name, !item.isKept && 'only in this page'].filter(Boolean).join(' · ')}
      </Words>
      {item.problem ? (
        <Words tone="held">{`Refused: ${sentenceOf(new Refused(item.problem))} ${whatToDo(item)}`}</Words>
      ) : null}
      {item.sender ? <Words size={15}>{`${item.sender.name} sends it on.`}</Words> : null}
      <Actions item={item} />
    </Card>
  );
});

function Actions({ item }: { readonly item: Item }) {
  const person = usePerson();
  const [asking, setAsking] = useState(false);
  const isMine = isBy(item.maker, person);
  const place = placeOf(item);
  const reopen = async ({ draft, on }: EntryItem) => {
    await restoreDraft(on.tag ?? '', draft);
    router.navigate(`/u/${on.tag ?? ''}/check-in`);
  };
  return (
    <View className="flex-row flex-wrap gap-2">
      {item.maker === null ? (
        <Button className="grow" label="It is mine" onPress={() => void outbox().claim(item.id)} />
      ) : null}
      {isMine && item.state === 'refused' && isEntry(item) && item.draft !== undefined ? (
        <Button kind="main" className="grow" label="Open it again" onPress={() => void reopen(item)} />
      ) : null}
      {isMine && item.state === 'refused' ? (
        <Button className="grow" label="Send it again" onPress={() => void outbox().retry(item.id)} />
      ) : null}
      {place ? <Button className="grow" label="See what is there" onPress={() => router.navigate(place)} /> : null}
      {!isMine && person.role === 'lead' && item.maker?.id && item.sender === null ? (
        <Button
          className="grow"
          label={`Send it on for ${item.maker.name}`}
          onPress={() => void outbox().sendOn(item.id)}
        />
      ) : null}
      {isMine && !asking ? <Button kind="quiet" label="Discard" onPress={() => setAsking(true)} /> : null}
      {isMine && asking ? (
        <Button kind="stop" label="Discard it for good" onPress={() => void outbox().discard(item.id)} />
      ) : null}
    </View>
  );
}

/** Where one sees what it was about. */
function placeOf(item: Item): Href | null {
  const { jobId, tag } = item.on;
  if (jobId) return `/j/${jobId}`;
  if (!tag) return null;
  return isEntry(item) && kindOf(item.kind)?.on === 'finding' ? `/u/${tag}/find` : `/u/${tag}`;
}
