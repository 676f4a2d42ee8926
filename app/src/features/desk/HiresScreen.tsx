import { classOf } from '@hudrik/core/catalogue';
import type { CalendarHire, HireCalendar as Calendar, HireLine } from '@hudrik/core/contracts';
import { Link, router, type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, usePerson, useRead } from '@/api';
import { Button, Card, Empty, Failure, Heading, Loading, useIsWide, Words } from '@/design';
import { LongList } from '@/design/LongList';
import { useChange, useEntry } from '@/outbox';
import { sayTime } from '@/writing';
import { BookHire } from './BookHire';
import { DeskLine } from './DeskLine';
import { HireCalendar } from './HireCalendar';
import { HireSheet } from './HireSheet';
import { sayHelp, sayHires } from './sayHire';

type Row = { readonly heading: string; readonly count: number } | HireLine;

/** The desk's list: what is out, what comes, and a new hire. */
export function HiresScreen() {
  const hires = useRead('hires');
  const { role } = usePerson();
  const wide = useIsWide();
  const rows = useMemo(() => rowsOf(hires.data?.hires ?? []), [hires.data]);
  const calendar = useRead('hireCalendar');
  const [reference, choose] = useState<string | null>(null);
  const chosen = calendar.data?.hires.find((hire) => hire.reference === reference);
  const given = calendar.data?.hires;
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
        {calendar.data ? sayHires(calendar.data) : `${out} out, ${booked} booked.`}
      </Words>
      <DeskLine />
      {calendar.data ? <Uncovered calendar={calendar.data} onChoose={choose} /> : null}
      {calendar.data && calendar.data.units.length > 0 ? (
        <HireCalendar calendar={calendar.data} onChoose={choose} />
      ) : null}
      {calendar.data && chosen ? (
        <HireSheet calendar={calendar.data} hire={chosen} onClose={() => choose(null)} />
      ) : null}
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
      contentClassName={`w-full self-center mx-auto p-4 pb-10 ${wide ? '' : 'max-w-[760px]'}`}
      render={(row) =>
        'heading' in row ? (
          <SectionHead title={row.heading} count={row.count} />
        ) : (
          <HireRow hire={row} given={given?.find((one) => one.reference === row.reference) ?? null} />
        )
      }
    />
  );
}

/** Hires that no unit can be given, with what would help. */
function Uncovered({
  calendar,
  onChoose,
}: {
  readonly calendar: Calendar;
  readonly onChoose: (reference: string) => void;
}) {
  return calendar.hires
    .filter(({ tag }) => tag === null)
    .map((hire) => (
      <View key={hire.reference} className="flex-row items-center gap-3 border-l-[6px] border-held pl-3" role="alert">
        <View className="min-w-0 flex-1">
          <Words face="strong">
            {`${hire.reference}, any ${classOf(hire.classId).name.toLowerCase()}, ${sayTime(hire.fromAt)}: no unit.`}
          </Words>
          <Words size={15}>{sayHelp(hire)}</Words>
        </View>
        <Button label="Change" aria-label={`Change ${hire.reference}`} onPress={() => onChoose(hire.reference)} />
      </View>
    ));
}

function rowsOf(hires: readonly HireLine[]): Row[] {
  const out = hires.filter((hire) => hire.state === 'out' || hire.state === 'back');
  const booked = hires.filter((hire) => hire.state === 'booked');
  return [{ heading: 'Out', count: out.length }, ...out, { heading: 'Booked', count: booked.length }, ...booked];
}

const NOTHING_BOOKED =
  'Nothing is booked. What goes out when is what the bench works towards: book a hire here, or take a list in under “Import and export lists”.';

const SectionHead = ({ title, count }: { readonly title: string; readonly count: number }) => (
  <View className="gap-3 pb-3 pt-2">
    <View className="flex-row items-baseline gap-2 border-b-2 border-ink pb-1">
      <Heading className="flex-1">{title}</Heading>
      <Words face="figures" size={17}>
        {count}
      </Words>
    </View>
    {count === 0 ? <Empty sentence={title === 'Out' ? 'Nothing is out.' : NOTHING_BOOKED} /> : null}
  </View>
);

function GivenLines({ hire, given }: { readonly hire: HireLine; readonly given: CalendarHire | null }) {
  return (
    <>
      {hire.tag === null && given?.tag ? <Words size={15}>{`${given.tag} is given`}</Words> : null}
      {given?.overruns ? (
        <Words size={15} tone="prep">
          A service runs out meanwhile.
        </Words>
      ) : null}
    </>
  );
}

function HireRow({ hire, given }: { readonly hire: HireLine; readonly given: CalendarHire | null }) {
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
            <GivenLines hire={hire} given={given} />
            {hire.hirer || hire.phone ? (
              <Words size={15}>{[hire.hirer, hire.phone].filter(Boolean).join(', ')}</Words>
            ) : null}
          </View>
          {hire.state === 'out' && tag && role !== 'apprentice' ? (
            <Button
              kind="quiet"
              label="Trouble"
              aria-label={`Trouble with ${tag}`}
              onPress={() => router.navigate(`/u/${tag}/trouble` as Href)}
            />
          ) : null}
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
