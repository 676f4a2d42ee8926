import { CLASS_IDS, CLASS_TAGS, classOf, type ClassId } from '@hudrik/core/catalogue';
import type { HireLine } from '@hudrik/core/contracts';
import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useChange, useRead } from '@/api';
import { Button, Card, Choice, Empty, Failure, Field, Loading, Page, Section, Words } from '@/design';
import { sayTime } from '@/features/fleet';
import { usePerson } from '@/features/session';

/** The desk's list: what is out, what comes, and a new hire. */
export function HiresScreen() {
  const hires = useRead('hires');
  const { role } = usePerson();
  if (!hires.data)
    return hires.isError ? (
      <Failure sentence="The hires can not be fetched just now." retry={() => void hires.refetch()} />
    ) : (
      <Loading what="the hires" />
    );
  const out = hires.data.hires.filter((hire) => hire.state === 'out' || hire.state === 'back');
  const booked = hires.data.hires.filter((hire) => hire.state === 'booked');
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {out.length} out, {booked.length} booked.
      </Words>
      {role === 'lead' || role === 'counter' ? <BookHire /> : null}
      <Section title="Out" count={out.length}>
        {out.map((hire) => (
          <HireRow key={hire.reference} hire={hire} />
        ))}
      </Section>
      <Section title="Booked" count={booked.length}>
        {booked.length === 0 ? (
          <Empty sentence="Nothing is booked." />
        ) : (
          booked.map((hire) => <HireRow key={hire.reference} hire={hire} />)
        )}
      </Section>
    </Page>
  );
}

function HireRow({ hire }: { readonly hire: HireLine }) {
  const { role } = usePerson();
  const back = useChange('hireBack');
  const cancel = useChange('cancelHire');
  const params = { reference: hire.reference };
  const failed = back.error ?? cancel.error;
  return (
    <Card className="gap-2">
      {failed ? <Failure sentence={sentenceOf(failed)} /> : null}
      <View className="flex-row items-center gap-3">
        {hire.tag ? (
          <Link href={`/u/${hire.tag}`} className="w-[92px] font-stencil text-22 text-ink underline">
            {hire.tag}
          </Link>
        ) : (
          <Words size={15} className="w-[92px]">
            any {classOf(hire.classId).name.toLowerCase()}
          </Words>
        )}
        <View className="min-w-0 flex-1">
          <Words face="strong" size={15}>
            {hire.reference}
          </Words>
          <Words size={15}>
            {sayTime(hire.fromAt)} to {sayTime(hire.toAt)}
          </Words>
        </View>
        {hire.state === 'out' && role !== 'apprentice' ? (
          <Button
            label="It is back"
            aria-label={`${hire.tag} is back`}
            disabled={back.isPending}
            onPress={() => back.mutate({ params })}
          />
        ) : null}
        {hire.state === 'back' ? <Words size={15}>back, not looked at</Words> : null}
        {hire.state === 'booked' && (role === 'lead' || role === 'counter') ? (
          <Button
            kind="quiet"
            label="Cancel"
            aria-label={`Cancel ${hire.reference}`}
            disabled={cancel.isPending}
            onPress={() => cancel.mutate({ params })}
          />
        ) : null}
      </View>
    </Card>
  );
}

const INSTANT = /^(\d{4}-\d\d-\d\d)[ T](\d\d:\d\d)$/;
const toInstant = (text: string): string =>
  INSTANT.test(text.trim()) ? new Date(text.trim().replace(' ', 'T')).toISOString() : text;

function BookHire() {
  const add = useChange('addHire');
  const [open, setOpen] = useState(false);
  const [classId, setClassId] = useState<ClassId>(CLASS_IDS[0]);
  const [form, setForm] = useState({ reference: '', tag: '', fromAt: '', toAt: '' });
  const set = (name: keyof typeof form) => (text: string) => setForm((before) => ({ ...before, [name]: text }));
  const send = async () => {
    await add.mutateAsync({
      body: {
        reference: form.reference,
        classId,
        tag: form.tag.trim() || null,
        fromAt: toInstant(form.fromAt),
        toAt: toInstant(form.toAt),
      },
    });
    setForm({ reference: '', tag: '', fromAt: '', toAt: '' });
    setOpen(false);
  };
  if (!open) return <Button label="Book a hire" onPress={() => setOpen(true)} />;
  return (
    <Section title="Book a hire">
      {add.isError ? <Failure sentence={sentenceOf(add.error)} kept="What you wrote is still here." /> : null}
      <View className="flex-row flex-wrap gap-2">
        {CLASS_IDS.map((id) => (
          <Choice key={id} label={CLASS_TAGS[id].name} on={classId === id} onPress={() => setClassId(id)} />
        ))}
      </View>
      <Field label="Reference" value={form.reference} onChangeText={set('reference')} />
      <Field
        label="Tag (leave empty for any of the class)"
        value={form.tag}
        onChangeText={set('tag')}
        autoCapitalize="characters"
      />
      <Field label="From (2030-05-01 09:00)" value={form.fromAt} onChangeText={set('fromAt')} />
      <Field label="To (2030-05-03 17:00)" value={form.toAt} onChangeText={set('toAt')} />
      <Button
        kind="main"
        label="Book it"
        disabled={add.isPending || form.reference.trim() === ''}
        onPress={() => void send().catch(() => undefined)}
      />
    </Section>
  );
}
