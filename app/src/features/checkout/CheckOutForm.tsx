import { cautionText, classOf, looksOnHandOut, type MachineClass } from '@hudrik/core/catalogue';
import type { Opening } from '@hudrik/core/contracts';
import { assessReading } from '@hudrik/core/hours';
import { fallsDue } from '@hudrik/core/readiness';
import type { CheckedOut } from '@hudrik/core/log';
import { useState } from 'react';
import { useWatch, type Control } from 'react-hook-form';
import { ScrollView, View } from 'react-native';
import { object, string } from 'yup';
import { sentenceOf, usePerson } from '@/api';
import { Button, Caution, Choice, Failure, Readiness, Section, Words } from '@/design';
import { ServiceOnHire } from '@/features/service';
import { StandingNotes } from '@/features/sheet';
import { daysFromNow, hoursSince } from '@/features/fleet';
import { NotProved } from '@/features/fleet/NotProved';
import { FormField, useSchemaForm } from '@/forms';
import { useEntry } from '@/outbox';
import { sayTime } from '@/writing';
import { FuelLine, FuelScale } from '@/features/fuel';
import { isOf, isCheckedOut } from '@hudrik/core/log';

const DAYS = [
  [1, '1 day'],
  [2, '2 days'],
  [3, '3 days'],
  [7, '7 days'],
] as const;
/** A comma is a decimal point. */
const withPoint = (typed: string): string => typed.trim().replace(',', '.');
const HOURS = /^\d{1,5}(\.\d)?$/;

/** What became of it: as the server took it, or null while it waits. */
export interface HandedOut {
  readonly cameTo: CheckedOut | null;
  readonly isKept: boolean;
}

interface Typed {
  readonly typed: string;
  readonly waiverReason: string;
}
const form = (inPrep: boolean) =>
  object({
    typed: string()
      .transform(withPoint)
      .matches(HOURS, 'Enter figures, with at most one after the point.')
      .required('Enter the hours.'),
    waiverReason: inPrep ? string().trim().required('Say why it may go out before its prep.') : string().default(''),
  });

const toggled = (list: readonly string[], entry: string): readonly string[] =>
  list.includes(entry) ? list.filter((other) => other !== entry) : [...list, entry];

export function CheckOutForm({
  opening,
  onDone,
}: {
  readonly opening: Opening;
  readonly onDone: (done: HandedOut) => void;
}) {
  const { role } = usePerson();
  const send = useEntry('check-out');
  const kit = classOf(opening.classId).kit;
  const booked = opening.nextHire;
  const [days, setDays] = useState(1);
  const because = waiting(opening, days);
  const inPrep = because.length > 0;
  const { control, handleSubmit } = useSchemaForm<Typed, ReturnType<typeof form>>(form(inPrep), {
    typed: opening.lastReading.toFixed(1),
    waiverReason: '',
  });
  const wanted = looksOnHandOut(classOf(opening.classId), opening.notFitted);
  /** What stays here; null: nobody has counted yet. */
  const [left, setLeft] = useState<readonly string[] | null>(null);
  /** As somebody sees it now: what the hirer gives back is held against it. */
  const [fuelEighths, setEighths] = useState<number | null>(null);
  const [looks, setLooks] = useState<readonly string[]>([]);
  const typed = withPoint(useWatch({ control, name: 'typed' }));
  const [confirmedFor, setConfirmedFor] = useState<string | null>(null);
  const odd = oddHours(typed, opening);
  const isSettled = odd === null || (odd !== 'below-last' && confirmedFor === typed);
  const offBecause = isSettled
    ? inPrep && role !== 'lead'
      ? 'A lead may waive it.'
      : unsaid({ kit, left, wanted, looks, fuelEighths })
    : 'Settle the hours first.';
  const handOut = handleSubmit(async ({ waiverReason }) => {
    if (fuelEighths === null) return;
    const { answer, isKept } = await send.mutateAsync({
      facts: {
        hire: booked?.reference ?? null,
        dueAt: booked ? null : daysFromNow(days),
        hours: { typed, confirmed: confirmedFor === typed, meterEvent: null },
        fuelEighths,
        kit: kit.map(({ id, count }) => ({ id, count: left?.includes(id) ? 0 : count })),
        looks,
        waiverReason,
      },
      on: { tag: opening.tag },
    });
    onDone({
      cameTo: answer && isOf(answer, 'check-out') && isCheckedOut(answer.outcome) ? answer.outcome : null,
      isKept,
    });
  });
  return (
    <View className="flex-1">
      <ScrollView className="flex-1" contentContainerClassName="w-full max-w-[680px] gap-5 self-center p-4">
        <View className="flex-row items-center justify-between">
          <Words face="stencil" size={56} role="heading" aria-level={1}>
            {opening.tag}
          </Words>
          <Readiness of={opening.verdict.readiness} size={30} />
        </View>
        <StandingNotes tag={opening.tag} place="check-out" />
        {send.isError ? <Failure sentence={sentenceOf(send.error)} kept="What you entered is still here." /> : null}
        <ServiceOnHire tag={opening.tag} days={booked ? -hoursSince(booked.toAt) / 24 : days} />
        {inPrep ? <PrepNotDone because={because} isLead={role === 'lead'} control={control} /> : null}
        <Section title="Hire">
          {booked ? (
            <Words>
              {booked.reference}, {sayTime(booked.fromAt)} to {sayTime(booked.toAt)}
            </Words>
          ) : (
            <View className="flex-row flex-wrap gap-2" role="group" aria-label="For how long">
              {DAYS.map(([count, label]) => (
                <Choice key={count} className="grow" label={label} on={count === days} onPress={() => setDays(count)} />
              ))}
            </View>
          )}
        </Section>
        {opening.unproved ? <NotProved unproved={opening.unproved} /> : null}
        <GoesAlong kit={kit} left={left} onLeft={setLeft} />
        <FormField control={control} name="typed" label="Hours on the meter" inputMode="decimal" />
        {odd === null ? null : (
          <Words tone="held" role="alert">
            {odd === 'below-last'
              ? `That is below the last reading, ${opening.lastReading.toFixed(1)}.`
              : 'That does not fit the last reading.'}
          </Words>
        )}
        {odd === null || odd === 'below-last' ? null : (
          <Choice
            label="I read the meter again: this is right"
            on={confirmedFor === typed}
            onPress={() => setConfirmedFor(confirmedFor === typed ? null : typed)}
          />
        )}
        <Section title="Fuel">
          <FuelLine tag={opening.tag} />
          <FuelScale eighths={fuelEighths} onPick={setEighths} />
        </Section>
        <LastLooks wanted={wanted} looks={looks} onLooks={setLooks} />
      </ScrollView>
      <View className="border-t border-line bg-tray p-3">
        <Button
          kind="main"
          tall
          label={inPrep ? 'Waive the prep and hand it out' : 'Hand it out'}
          offBecause={offBecause}
          disabled={send.isPending}
          onPress={() => void handOut().catch(() => undefined)}
        />
      </View>
    </View>
  );
}

interface GoesProps {
  readonly kit: MachineClass['kit'];
  readonly left: readonly string[] | null;
  readonly onLeft: (left: readonly string[]) => void;
}

/** The class's kit: counted at one tap, and what stays here is tapped off. */
const GoesAlong = ({ kit, left, onLeft }: GoesProps) => (
  <Section title="Goes along">
    <Choice
      label={kit.length === 0 ? 'Nothing goes along' : 'Counted: all of it goes along'}
      on={left !== null && left.length === 0}
      onPress={() => onLeft([])}
    />
    <View className="flex-row flex-wrap gap-2">
      {kit.map((item) => (
        <Choice
          key={item.id}
          className="grow"
          label={item.count > 1 ? `${item.count} × ${item.name.toLowerCase()}` : item.name}
          on={left !== null && !left.includes(item.id)}
          onPress={() => onLeft(toggled(left ?? kit.map(({ id }) => id), item.id))}
        />
      ))}
    </View>
  </Section>
);

interface LooksProps {
  readonly wanted: ReturnType<typeof looksOnHandOut>;
  readonly looks: readonly string[];
  readonly onLooks: (looks: readonly string[]) => void;
}

/** What is looked at as it goes out, each with its caution until it is. */
const LastLooks = ({ wanted, looks, onLooks }: LooksProps) => (
  <Section title="Last looks">
    <View className="gap-2">
      {wanted.map(({ id, words, caution }) => (
        <View key={id} className="gap-1">
          {caution && !looks.includes(id) ? <Caution text={cautionText(caution)} /> : null}
          <Choice label={words} on={looks.includes(id)} onPress={() => onLooks(toggled(looks, id))} />
        </View>
      ))}
    </View>
  </Section>
);

interface Said {
  readonly kit: MachineClass['kit'];
  readonly left: readonly string[] | null;
  readonly wanted: readonly { readonly id: string; readonly words: string }[];
  readonly looks: readonly string[];
  readonly fuelEighths: number | null;
}

/** What was not counted or looked at yet. */
function unsaid({ kit, left, wanted, looks, fuelEighths }: Said): string | null {
  if (left === null && kit.length > 0) return 'Count what goes along.';
  if (fuelEighths === null) return 'Look into the tank: how full is it?';
  const next = wanted.find(({ id }) => !looks.includes(id));
  return next ? `Still to look at: ${next.words}` : null;
}

/** Why a lead must waive it: its prep, and what falls due before it is back. */
function waiting({ verdict, nextHire, hoursToOilService, use }: Opening, walkInDays: number): readonly string[] {
  const days = nextHire ? -hoursSince(nextHire.toAt) / 24 : walkInDays;
  return [...(verdict.readiness === 'prep' ? verdict.because : []), ...fallsDue({ hoursToOilService, use, days })];
}

/** What is odd about the hours as typed; null: nothing, or they are no figures. */
function oddHours(typed: string, opening: Opening): string | null {
  if (!HOURS.test(typed)) return null;
  const { findings } = assessReading(typed, {
    lastReading: opening.lastReading,
    clockHours: hoursSince(opening.lastReadAt),
    hireDays: 0,
    use: opening.use,
  });
  return findings[0]?.code ?? null;
}

interface PrepProps {
  readonly because: readonly string[];
  readonly isLead: boolean;
  readonly control: Control<Typed, unknown, any>;
}

const PrepNotDone = ({ because, isLead, control }: PrepProps) => (
  <Section title="Its prep is not done">
    {because.map((reason) => (
      <Words key={reason}>{reason}</Words>
    ))}
    {isLead ? (
      <FormField control={control} name="waiverReason" label="You may waive it: why?" />
    ) : (
      <Words face="strong">Do the prep first, or ask a lead to waive it.</Words>
    )}
  </Section>
);
