import { classOf, COMPLAINT_GROUPS, complaintsOf, type ClassId } from '@hudrik/core/catalogue';
import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useRead } from '@/api';
import { Button, Caution, Choice, Failure, Field, Loading, Page, Section, Words } from '@/design';
import { useEntry } from '@/outbox';
import { sayTime } from '@/writing';

/** The hirer rings: what is wrong, what he may safely try, who could go in its place; and its work is there when it comes back. */
export function TroubleScreen({ tag }: { readonly tag: string }) {
  const unit = useRead('unit', { params: { tag } });
  const hires = useRead('hires', { query: { tag } });
  if (!unit.data || !hires.data)
    return unit.isError || hires.isError ? (
      <Failure sentence="The unit cannot be fetched just now." retry={() => void unit.refetch()} />
    ) : (
      <Loading what="the unit" />
    );
  const hire = hires.data.hires.find(({ state }) => state === 'out');
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {`Trouble with ${tag}`}
      </Words>
      {hire ? (
        <>
          <Words>{`${hire.reference}${hire.hirer ? `, ${hire.hirer}` : ''}${hire.phone ? `, ${hire.phone}` : ''}; back ${sayTime(hire.toAt)}.`}</Words>
        </>
      ) : (
        <Words>It is not out with anybody: what is told is noted with the unit.</Words>
      )}
      <Told tag={tag} classId={unit.data.unit.classId} reference={hire?.reference ?? null} />
    </Page>
  );
}

interface Props {
  readonly tag: string;
  readonly classId: ClassId;
  /** Null: it is with nobody. */
  readonly reference: string | null;
}

function Told({ tag, classId, reference }: Props) {
  const [complaintIds, setComplaints] = useState<readonly string[]>([]);
  const [note, setNote] = useState('');
  const tell = useEntry('trouble-told');
  const complaints = complaintsOf(classOf(classId));
  const toggle = (id: string) =>
    setComplaints(complaintIds.includes(id) ? complaintIds.filter((one) => one !== id) : [...complaintIds, id]);
  const save = () =>
    tell.mutate({ facts: { reference, complaintIds: [...complaintIds], note: note.trim() }, on: { tag } });
  return (
    <>
      {COMPLAINT_GROUPS.map((group) => {
        const own = complaints.filter((complaint) => complaint.group === group);
        return own.length === 0 ? null : (
          <View key={group} className="flex-row flex-wrap gap-2" role="group" aria-label={group}>
            {own.map(({ id, words }) => (
              <Choice
                key={id}
                className="grow"
                tone="held"
                label={words}
                on={complaintIds.includes(id)}
                onPress={() => toggle(id)}
              />
            ))}
          </View>
        );
      })}
      {complaints.some(({ id, safety }) => safety === true && complaintIds.includes(id)) ? (
        <View role="alert" className="border-l-[6px] border-held bg-paper p-3">
          <Words face="strong">That is dangerous: it holds the unit from now on.</Words>
          <Words>Nobody runs it any more. Have it brought back as it is, and keep people away from it.</Words>
        </View>
      ) : null}
      {complaintIds.length > 0 ? <Advice tag={tag} complaintIds={complaintIds} /> : null}
      <Field label="In the hirer’s own words" value={note} onChangeText={setNote} multiline maxLength={2000} />
      {tell.error ? <Failure sentence={sentenceOf(tell.error)} kept="What you wrote is still here." /> : null}
      {tell.data ? (
        <Words role="status">
          {tell.data.answer === null
            ? 'Noted here, not sent yet.'
            : 'Noted. Its work is there, and its check-in begins with what was told.'}
        </Words>
      ) : null}
      <Button
        kind="main"
        tall
        label="Note it"
        offBecause={complaintIds.length === 0 ? 'Tap what is wrong.' : tell.isSuccess ? 'It is noted.' : null}
        disabled={tell.isPending}
        onPress={save}
      />
    </>
  );
}

function Advice({ tag, complaintIds }: { readonly tag: string; readonly complaintIds: readonly string[] }) {
  const advice = useRead('trouble', { params: { tag }, query: { complaints: [...complaintIds].sort().join(',') } });
  if (!advice.data)
    return advice.isError ? (
      <Failure sentence="Advice cannot be fetched just now. Until then: stop it, and leave it as it is." />
    ) : (
      <Loading what="advice" />
    );
  const { before, tries, swap } = advice.data;
  return (
    <Section title="Say on the telephone">
      <Caution text={before} />
      {tries.map((words, at) => (
        <View key={words} className="flex-row gap-3">
          <Words face="figures" size={22} className="w-[24px]">
            {at + 1}
          </Words>
          <Words className="flex-1">{words}</Words>
        </View>
      ))}
      {tries.length === 0 ? <Words>There is nothing that he may safely try.</Words> : null}
      {swap === null ? (
        <Words>Nothing of its class is fit and free in its place.</Words>
      ) : (
        <Words>
          {'In its place could go '}
          <Link href={`/u/${swap}`} className="font-stencil text-ink underline">
            {swap}
          </Link>
          {': fit and free until then.'}
        </Words>
      )}
    </Section>
  );
}
