import { classOf } from '@hudrik/core/catalogue';
import type { CheckOut, Opening } from '@hudrik/core/contracts';
import { assessReading } from '@hudrik/core/hours';
import { router } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { newId, Refused, sentenceOf, useChange, useRead } from '@/api';
import { Button, Choice, Empty, Failure, Field, Loading, Page, Readiness, Section, Words } from '@/design';
import { daysFromNow, hoursSince, sayNotBefore, sayReadiness, sayTime } from '@/features/fleet';
import { usePerson } from '@/features/session';

const LOOKS = ['Oil at the mark', 'No leaks', 'Guards and stops work', 'Hirer shown how it stops'];
const DAYS = [1, 2, 3, 7];

/** Handing a unit out: yes, or no and why. Short: what goes along, hours, fuel, last looks. */
export function CheckOutScreen({ tag }: { readonly tag: string }) {
  const opening = useRead('opening', { params: { tag } });
  const [done, setDone] = useState<CheckOut | null>(null);
  if (done) return <HandedOut done={done} />;
  if (opening.error instanceof Refused)
    return (
      <Page>
        <Empty sentence={sentenceOf(opening.error)} />
      </Page>
    );
  if (!opening.data)
    return opening.isError ? (
      <Failure sentence={`${tag} can not be fetched just now.`} retry={() => void opening.refetch()} />
    ) : (
      <Loading what={tag} />
    );
  const { readiness } = opening.data.verdict;
  if (readiness !== 'fit' && readiness !== 'prep') return <No opening={opening.data} />;
  return <Form opening={opening.data} onDone={setDone} />;
}

function No({ opening }: { readonly opening: Opening }) {
  return (
    <Page>
      <Words face="stencil" size={56} role="heading" aria-level={1}>
        {opening.tag}
      </Words>
      <Readiness of={opening.verdict.readiness} size={30} />
      <Words size={22} face="strong">
        No. {sayReadiness(opening.verdict)}
      </Words>
      <Words size={17}>{sayNotBefore(opening, new Date())}</Words>
      {opening.verdict.because.slice(1).map((reason) => (
        <Words key={reason}>{reason}</Words>
      ))}
      <Button label={`See ${opening.tag}`} onPress={() => router.replace(`/u/${opening.tag}`)} />
    </Page>
  );
}

function Form({ opening, onDone }: { readonly opening: Opening; readonly onDone: (done: CheckOut) => void }) {
  const { role } = usePerson();
  const send = useChange('addCheckOut');
  const [id] = useState(newId);
  const kit = classOf(opening.classId).kit;
  const [typed, setTyped] = useState(opening.lastReading.toFixed(1));
  const [fuelEighths, setFuel] = useState(8);
  const [left, setLeft] = useState<readonly string[]>([]);
  const [looks, setLooks] = useState<readonly string[]>([]);
  const [days, setDays] = useState(1);
  const [waiverReason, setWaiver] = useState('');
  const [keepsOdd, setKeepsOdd] = useState(false);
  const inPrep = opening.verdict.readiness === 'prep';
  const booked = opening.nextHire;
  const toggle = (list: readonly string[], entry: string) =>
    list.includes(entry) ? list.filter((other) => other !== entry) : [...list, entry];
  const odd = assessReading(/^\d+(\.\d)?$/.test(typed) ? typed : '0', {
    lastReading: opening.lastReading,
    clockHours: hoursSince(opening.lastReadAt),
    hireDays: 0,
    use: opening.use,
  }).findings[0];
  const blocked = inPrep && (role !== 'lead' || waiverReason.trim() === '');
  const handOut = async () => {
    const dueAt = booked ? null : daysFromNow(days);
    const body = {
      id,
      tag: opening.tag,
      hire: booked?.reference ?? null,
      dueAt,
      hours: { typed, confirmed: keepsOdd, meterEvent: null },
      fuelEighths,
      kit: kit.filter((item) => !left.includes(item.id)).map(({ id: kitId, count }) => ({ id: kitId, count })),
      looks: [...looks],
      waiverReason,
    };
    onDone(await send.mutateAsync({ body, key: id }));
  };
  return (
    <View className="flex-1">
      <ScrollView className="flex-1" contentContainerClassName="w-full max-w-[680px] gap-5 self-center p-4">
        <View className="flex-row items-center justify-between">
          <Words face="stencil" size={56} role="heading" aria-level={1}>
            {opening.tag}
          </Words>
          <Readiness of={opening.verdict.readiness} size={30} />
        </View>
        {send.isError ? <Failure sentence={sentenceOf(send.error)} kept="What you entered is still here." /> : null}
        {inPrep ? (
          <Section title="Its prep is not done">
            {opening.verdict.because.map((reason) => (
              <Words key={reason}>{reason}</Words>
            ))}
            {role === 'lead' ? (
              <Field label="You may waive it: why?" value={waiverReason} onChangeText={setWaiver} />
            ) : (
              <Words face="strong">Do the prep first, or ask a lead to waive it.</Words>
            )}
          </Section>
        ) : null}
        <Section title="Hire">
          {booked ? (
            <Words>
              {booked.reference}, {sayTime(booked.fromAt)} to {sayTime(booked.toAt)}
            </Words>
          ) : (
            <View className="flex-row gap-2">
              {DAYS.map((count) => (
                <Choice
                  key={count}
                  className="flex-1"
                  label={count === 1 ? '1 day' : `${count} days`}
                  on={days === count}
                  onPress={() => setDays(count)}
                />
              ))}
            </View>
          )}
        </Section>
        <Section title="Goes along">
          <View className="flex-row flex-wrap gap-2">
            {kit.map((item) => (
              <Choice
                key={item.id}
                className="grow"
                label={item.count > 1 ? `${item.count} × ${item.name.toLowerCase()}` : item.name}
                on={!left.includes(item.id)}
                onPress={() => setLeft(toggle(left, item.id))}
              />
            ))}
          </View>
        </Section>
        <Field
          label="Hours on the meter"
          value={typed}
          onChangeText={(text) => {
            setTyped(text);
            setKeepsOdd(false);
          }}
          inputMode="decimal"
          wrong={
            !/^\d{1,5}(\.\d)?$/.test(typed)
              ? 'Figures, with at most one after the point.'
              : odd
                ? 'That does not fit the last reading.'
                : undefined
          }
        />
        {odd !== undefined && odd.code !== 'below-last' ? (
          <Choice label="I read it again: it is so" on={keepsOdd} onPress={() => setKeepsOdd(!keepsOdd)} />
        ) : null}
        <Section title="Fuel">
          <View className="flex-row gap-2">
            {[8, 6, 4, 2].map((level) => (
              <Choice
                key={level}
                className="flex-1"
                label={level === 8 ? 'Full' : `${level}/8`}
                on={fuelEighths === level}
                onPress={() => setFuel(level)}
              />
            ))}
          </View>
        </Section>
        <Section title="Last looks">
          <View className="gap-2">
            {LOOKS.map((look) => (
              <Choice key={look} label={look} on={looks.includes(look)} onPress={() => setLooks(toggle(looks, look))} />
            ))}
          </View>
        </Section>
      </ScrollView>
      <View className="border-t border-line bg-tray p-3">
        <Button
          kind="main"
          tall
          label={inPrep ? 'Waive the prep and hand it out' : 'Hand it out'}
          disabled={
            blocked ||
            send.isPending ||
            looks.length < LOOKS.length ||
            !/^\d{1,5}(\.\d)?$/.test(typed) ||
            (odd !== undefined && !keepsOdd)
          }
          onPress={() => void handOut().catch(() => undefined)}
        />
      </View>
    </View>
  );
}

function HandedOut({ done }: { readonly done: CheckOut }) {
  return (
    <Page>
      <Words face="stencil" size={56} role="heading" aria-level={1}>
        {done.tag}
      </Words>
      <Words size={22} face="strong" role="status">
        Out on {done.hire.reference}, due back {sayTime(done.hire.toAt)}.
      </Words>
      <Button kind="main" tall label="To the shift" onPress={() => router.replace('/')} />
      <Button label="See the hires" onPress={() => router.replace('/hires')} />
    </Page>
  );
}
