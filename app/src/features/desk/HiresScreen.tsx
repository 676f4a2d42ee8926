import { classOf } from '@hudrik/core/catalogue';
import type { HireLine } from '@hudrik/core/contracts';
import { Link, router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useChange, usePerson, useRead } from '@/api';
import { Button, Card, Empty, Failure, Heading, Loading, Words } from '@/design';
import { LongList } from '@/design/LongList';
import { useEntry } from '@/outbox';
import { sayTime } from '@/writing';
import { BookHire } from './BookHire';

type Row = { readonly heading: string; readonly count: number } | HireLine;

/** The desk's list: what is out, what comes, and a new hire. */
export function HiresScreen() {
  const hires = useRead('hires');
  const { role } = usePerson();
  const rows = useMemo(() => rowsOf(hires.data?.hires ?? []), [hires.data]);
  if (!hires.data)
    return hires.isError ? (
      <Failure sentence="The hires cannot be fetched just now." retry={() => void hires.refetch()} />
    ) : (
      <Loading what="the hires" />
    );
  const [out, booked] = rows.filter((row) => 'heading' in row).map((row) => row.count);
  const header = (
    <View className="gap-5 pb-5">
      <Words role="heading" aria-level={1} size={22} face="strong">
        {out} out, {booked} booked.
      </Words>
      {role === 'lead' || role === 'counter' ? <BookHire /> : null}
      {role === 'apprentice' ? null : (
        <Button label="Several are back" className="self-start" onPress={() => router.navigate('/returns')} />
      )}
    </View>
  );
  return (
    <LongList
      items={rows}
      keyOf={(row) => ('heading' in row ? row.heading : row.reference)}
      label="Hires"
      estimate={96}
      header={header}
      contentClassName="w-full max-w-[760px] self-center mx-auto p-4 pb-10"
      render={(row) =>
        'heading' in row ? <SectionHead title={row.heading} count={row.count} /> : <HireRow hire={row} />
      }
    />
  );
}

function rowsOf(hires: readonly HireLine[]): Row[] {
  const out = hires.filter((hire) => hire.state === 'out' || hire.state === 'back');
  const booked = hires.filter((hire) => hire.state === 'booked');
  return [{ heading: 'Out', count: out.length }, ...out, { heading: 'Booked', count: booked.length }, ...booked];
}

const SectionHead = ({ title, count }: { readonly title: string; readonly count: number }) => (
  <View className="gap-3 pb-3 pt-2">
    <View className="flex-row items-baseline gap-2 border-b-2 border-ink pb-1">
      <Heading className="flex-1">{title}</Heading>
      <Words face="figures" size={17}>
        {count}
      </Words>
    </View>
    {count === 0 ? <Empty sentence={title === 'Out' ? 'Nothing is out.' : 'Nothing is booked.'} /> : null}
  </View>
);

function HireRow({ hire }: { readonly hire: HireLine }) {
  const { role } = usePerson();
  const back = useEntry('hire-back');
  const cancel = useChange('cancelHire');
  const [asking, setAsking] = useState(false);
  const { reference, tag } = hire;
  const failed = back.error ?? cancel.error;
  return (
    <View className="pb-3">
      <Card className="gap-2">
        {failed ? <Failure sentence={sentenceOf(failed)} /> : null}
        {back.data && back.data.answer === null ? <Words role="status">Noted here, not sent yet.</Words> : null}
        <View className="flex-row items-center gap-3">
          <View className="min-w-0 flex-1 gap-1">
            <View className="flex-row flex-wrap items-baseline gap-x-3">
              {tag ? (
                <Link href={`/u/${tag}`} className="font-stencil text-22 text-ink underline">
                  {tag}
                </Link>
              ) : (
                <Words face="strong">any {classOf(hire.classId).name.toLowerCase()}</Words>
              )}
              <Words size={15} tone="ink-soft">
                {reference}
              </Words>
            </View>
            <Words size={15}>
              {sayTime(hire.fromAt)} to {sayTime(hire.toAt)}
            </Words>
            {hire.hirer || hire.phone ? (
              <Words size={15}>{[hire.hirer, hire.phone].filter(Boolean).join(', ')}</Words>
            ) : null}
          </View>
          {hire.state === 'out' && tag && role !== 'apprentice' ? (
            <Button
              label="It is back"
              aria-label={`${tag} is back`}
              disabled={back.isPending || back.isSuccess}
              onPress={() => back.mutate({ facts: { reference }, on: { tag } })}
            />
          ) : null}
          {hire.state === 'back' ? <Words size={15}>back, not looked at</Words> : null}
          {hire.state === 'booked' && (role === 'lead' || role === 'counter') ? (
            <Button
              kind="quiet"
              label="Cancel"
              aria-label={`Cancel ${reference}`}
              disabled={cancel.isPending}
              onPress={() => setAsking(true)}
            />
          ) : null}
        </View>
        {asking ? (
          <View className="gap-2 border-l-[6px] border-held bg-paper p-3" role="alert">
            <Words face="strong">{`Cancel ${reference}? The unit is then promised to nobody.`}</Words>
            <View className="flex-row flex-wrap gap-2">
              <Button
                kind="stop"
                label="Cancel the hire"
                onPress={() => cancel.mutate({ params: { reference } }, { onSettled: () => setAsking(false) })}
              />
              <Button label="Leave it" onPress={() => setAsking(false)} />
            </View>
          </View>
        ) : null}
      </Card>
    </View>
  );
}
