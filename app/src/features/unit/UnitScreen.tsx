import type { UnitPage } from '@hudrik/core/contracts';
import { classOf } from '@hudrik/core/catalogue';
import { router } from 'expo-router';
import { ScrollView, View } from 'react-native';
import { Refused, sentenceOf, useRead, usePerson } from '@/api';
import { Button, Card, Empty, Failure, Loading, Section, useIsWide, Words } from '@/design';
import { sayReadiness, UnitTagLarge } from '@/features/fleet';
import { NotProved } from '@/features/fleet/NotProved';
import { FuelOfUnit, sayLevel } from '@/features/fuel';
import { ServiceOfUnit } from '@/features/service';
import { UnitSheetFacts } from '@/features/sheet';
import { sayHours, sayTime } from '@/writing';
import { Defects } from './Defects';
import { FiguresToConfirm } from './FiguresToConfirm';
import { History } from './History';
import { JobRow } from './JobRow';
import { LeadTools } from './LeadTools';
import { NotesThatStand } from './NotesThatStand';
import { NotOnThisUnit } from './NotOnThisUnit';
import { HoursChart } from './HoursChart';

/** One unit: the tag, the answer, why, what next; then its facts and all that happened to it. */
export function UnitScreen({ tag }: { readonly tag: string }) {
  const page = useRead('unit', { params: { tag } });
  const wide = useIsWide();
  if (page.error instanceof Refused) return <NoSuchUnit sentence={sentenceOf(page.error)} />;
  if (!page.data)
    return page.isError ? (
      <Failure sentence={`${tag} cannot be fetched just now.`} retry={() => void page.refetch()} />
    ) : (
      <Loading what={tag} />
    );
  const head = <Head page={page.data} />;
  const facts = <Facts page={page.data} />;
  if (!wide) {
    return (
      <View className="flex-1">
        <ScrollView className="flex-1" contentContainerClassName="gap-5 p-4 pb-8">
          {head}
          <Defects page={page.data} />
          <FiguresToConfirm page={page.data} />
          <Jobs page={page.data} />
          <NotOnThisUnit page={page.data} />
          <NotesThatStand tag={tag} />
          {facts}
          <FuelOfUnit tag={tag} />
          <ServiceOfUnit tag={tag} />
          <UnitSheetFacts tag={tag} />
          <Section title="History">
            <History tag={tag} />
          </Section>
          <LeadTools page={page.data} />
        </ScrollView>
        <NextAction page={page.data} />
      </View>
    );
  }
  return (
    <View className="flex-1 flex-row">
      <ScrollView className="w-[430px] flex-none border-r border-line" contentContainerClassName="gap-5 p-4 pb-8">
        {head}
        <NextAction page={page.data} />
        <Defects page={page.data} />
        <FiguresToConfirm page={page.data} />
        <Jobs page={page.data} />
        <NotOnThisUnit page={page.data} />
        <NotesThatStand tag={tag} />
        {facts}
        <FuelOfUnit tag={tag} />
        <ServiceOfUnit tag={tag} />
        <UnitSheetFacts tag={tag} />
        <LeadTools page={page.data} />
      </ScrollView>
      <ScrollView className="min-w-0 flex-1" contentContainerClassName="gap-5 p-4 pb-8">
        <Section title="True hours">
          <HoursChart readings={page.data.readings} />
        </Section>
        <Section title="History">
          <History tag={tag} />
        </Section>
      </ScrollView>
    </View>
  );
}

function NoSuchUnit({ sentence }: { readonly sentence: string }) {
  return (
    <View className="p-4">
      <Empty sentence={sentence}>
        <Button label="To the yard" onPress={() => router.replace('/yard')} />
      </Empty>
    </View>
  );
}

function Head({ page }: { readonly page: UnitPage }) {
  return (
    <View className="gap-3">
      <UnitTagLarge unit={page.unit} />
      <Words size={22} face="strong" aria-live="polite">
        {sayReadiness(page.unit.verdict)}
      </Words>
      {page.unproved ? <NotProved unproved={page.unproved} /> : null}
      {page.defects.length > 1 ? <Words>{`And ${page.defects.length - 1} more, below.`}</Words> : null}
    </View>
  );
}

function NextAction({ page }: { readonly page: UnitPage }) {
  const { role } = usePerson();
  const { unit, hire } = page;
  const go = (what: 'check-in' | 'check-out') => () => router.navigate(`/u/${unit.tag}/${what}`);
  const mayCheckIn = role !== 'counter';
  const bar = 'no-print border-t border-line bg-tray p-3 pb-5';
  if (hire && mayCheckIn)
    return (
      <View className={bar}>
        <Button kind="main" tall label="Check in" onPress={go('check-in')} />
      </View>
    );
  if (hire) return null;
  if (unit.verdict.readiness === 'held' && mayCheckIn && page.defects.some((defect) => defect.weight === 'hold'))
    return (
      <View className={bar}>
        <Button kind="main" tall label="Find the fault" onPress={() => router.navigate(`/u/${unit.tag}/find`)} />
      </View>
    );
  if (role === 'apprentice') return null;
  if (unit.verdict.readiness === 'fit' || unit.verdict.readiness === 'prep')
    return (
      <View className={bar}>
        <Button kind="main" tall label="Hand it out" onPress={go('check-out')} />
      </View>
    );
  return null;
}

function Jobs({ page }: { readonly page: UnitPage }) {
  if (page.jobs.length === 0) return null;
  return (
    <Section title="Work on it" count={page.jobs.length}>
      {page.jobs.map((job) => (
        <JobRow key={job.id} job={job} withReasons={false} />
      ))}
    </Section>
  );
}

function Facts({ page }: { readonly page: UnitPage }) {
  const { unit, meter, use, hire } = page;
  const next = unit.nextHire;
  return (
    <Section title="Now">
      <Card className="gap-3">
        <Fact name="True hours" value={sayHours(unit.trueHours)} />
        {meter.offsetHours === 0 ? null : (
          <Fact name="On the meter" value={`${sayHours(meter.reading)} (a later meter)`} />
        )}
        <Fact name="Use on hire" value={`${use.hoursPerDay} h a day`} />
        <Fact name="Next 30 days" value={`${use.in30Days.low} to ${use.in30Days.high} h (4 in 5)`} />
        <Fact
          name={hire ? 'On hire' : 'Next hire'}
          value={
            hire
              ? `${hire.reference}, due ${sayTime(hire.toAt)}`
              : next
                ? `${next.reference}, ${sayTime(next.fromAt)}`
                : 'none booked'
          }
        />
        <Fact name="Stands at" value={unit.homeBay} />
        <Fact name="Serial" value={unit.serial} />
        <Fact name="Class" value={classOf(unit.classId).name} />
        <Fact name="Fuel" value={page.fuel === null ? 'not recorded' : sayLevel(page.fuel)} />
      </Card>
    </Section>
  );
}

function Fact({ name, value }: { readonly name: string; readonly value: string }) {
  return (
    <View className="flex-row items-baseline justify-between gap-3">
      <Words size={15} tone="ink-soft">
        {name}
      </Words>
      <Words face="figures" size={17} className="shrink text-right">
        {value}
      </Words>
    </View>
  );
}
