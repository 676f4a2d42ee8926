import { CLASS_IDS, CLASS_TAGS, type ClassId } from '@hudrik/core/catalogue';
import type { UnitLine } from '@hudrik/core/contracts';
import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useRead } from '@/api';
import {
  Button,
  Card,
  Choice,
  DateTimeField,
  Empty,
  Failure,
  Loading,
  Page,
  ReadinessMark,
  Section,
  Words,
} from '@/design';
import { sayReadiness } from '@/features/fleet';
import { instantOf, sayAs, sayTime } from '@/writing';
import { BookHire } from './BookHire';

const HOUR_MS = 3_600_000;
const asTyped = (instant: number): string => sayAs(new Date(instant).toISOString(), "yyyy-MM-dd'T'HH:mm");
/** Spans that are asked for most, in one tap. */
const SPANS = [
  ['Today', 0, 8],
  ['Until tomorrow', 0, 32],
  ['Tomorrow', 24, 32],
  ['A week', 0, 7 * 24 + 8],
] as const;

/** What is free and fit for these days: the desk's first question. */
export function FreeScreen() {
  const [classId, setClassId] = useState<ClassId>(CLASS_IDS[0]);
  const [now] = useState(() => Math.ceil(Date.now() / HOUR_MS) * HOUR_MS);
  const [from, setFrom] = useState(() => asTyped(now));
  const [to, setTo] = useState(() => asTyped(now + 32 * HOUR_MS));
  const [booking, setBooking] = useState<string | null>(null);
  const span = { from: instantOf(from), to: instantOf(to) };
  const isSpan = span.from !== null && span.to !== null && span.from < span.to;
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        What is free, and fit?
      </Words>
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="Class">
        {CLASS_IDS.map((id) => (
          <Choice
            key={id}
            className="grow"
            label={CLASS_TAGS[id].name}
            on={classId === id}
            onPress={() => setClassId(id)}
          />
        ))}
      </View>
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="For how long">
        {SPANS.map(([label, begin, end]) => (
          <Choice
            key={label}
            className="grow basis-[40%]"
            label={label}
            on={from === asTyped(now + begin * HOUR_MS) && to === asTyped(now + end * HOUR_MS)}
            onPress={() => {
              setFrom(asTyped(now + begin * HOUR_MS));
              setTo(asTyped(now + end * HOUR_MS));
            }}
          />
        ))}
      </View>
      <View className="flex-row flex-wrap gap-3">
        <DateTimeField label="From" value={from} onChange={setFrom} />
        <DateTimeField
          label="To"
          value={to}
          onChange={setTo}
          wrong={isSpan ? undefined : 'It must end after it begins.'}
        />
      </View>
      {isSpan ? (
        <FreeUnits
          classId={classId}
          from={span.from ?? ''}
          to={span.to ?? ''}
          booking={booking}
          onBook={setBooking}
          chosen={{ fromAt: from, toAt: to }}
        />
      ) : null}
    </Page>
  );
}

interface UnitsProps {
  readonly classId: ClassId;
  readonly from: string;
  readonly to: string;
  readonly booking: string | null;
  readonly onBook: (tag: string | null) => void;
  readonly chosen: { readonly fromAt: string; readonly toAt: string };
}

function FreeUnits({ classId, from, to, booking, onBook, chosen }: UnitsProps) {
  const free = useRead('free', { query: { class: classId, from, to } });
  if (!free.data)
    return free.isError ? (
      <Failure sentence="What is free cannot be fetched just now." retry={() => void free.refetch()} />
    ) : (
      <Loading what="what is free" />
    );
  const fit = free.data.units.filter((unit) => unit.verdict.readiness === 'fit');
  const others = free.data.units.filter((unit) => unit.verdict.readiness !== 'fit');
  const line = (unit: UnitLine) => (
    <FreeUnit key={unit.tag} unit={unit} isBooking={booking === unit.tag} onBook={onBook} chosen={chosen} />
  );
  return (
    <>
      <Section title="Free and fit" count={fit.length}>
        {fit.length === 0 ? (
          <Empty sentence={`No ${CLASS_TAGS[classId].name.toLowerCase()} is free and fit for these days.`} />
        ) : null}
        {fit.map(line)}
      </Section>
      {others.length > 0 ? (
        <Section title="Free, not fit yet" count={others.length}>
          {others.map(line)}
        </Section>
      ) : null}
    </>
  );
}

interface UnitProps extends Pick<UnitsProps, 'onBook' | 'chosen'> {
  readonly unit: UnitLine;
  readonly isBooking: boolean;
}

function FreeUnit({ unit, isBooking, onBook, chosen }: UnitProps) {
  const { readiness } = unit.verdict;
  return (
    <Card className="gap-2">
      <View className="flex-row items-center gap-3">
        <ReadinessMark of={readiness} size={22} />
        <View className="min-w-0 flex-1">
          <View className="flex-row flex-wrap items-baseline gap-x-3">
            <Link href={`/u/${unit.tag}`} className="font-stencil text-22 text-ink underline">
              {unit.tag}
            </Link>
            <Words size={15} tone="ink-soft">{`${unit.model.make} ${unit.model.name}`}</Words>
          </View>
          <Words size={15}>{sayReadiness(unit.verdict)}</Words>
          {unit.nextHire ? (
            <Words size={13} tone="ink-soft">{`Promised from ${sayTime(unit.nextHire.fromAt)}`}</Words>
          ) : null}
        </View>
        {isBooking ? null : <Button label="Book" aria-label={`Book ${unit.tag}`} onPress={() => onBook(unit.tag)} />}
      </View>
      {isBooking ? (
        <BookHire chosen={{ classId: unit.classId, tag: unit.tag, ...chosen }} onBooked={() => onBook(null)} />
      ) : null}
    </Card>
  );
}
