import type { Rated } from '@hudrik/core/catalogue';
import type { UnitPage } from '@hudrik/core/contracts';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, usePerson, useRead } from '@/api';
import { Button, Failure, Section, Sheet, Words } from '@/design';
import { LaidUpSheet, WakeOfUnit } from '@/features/layUp';
import { RatedFigures } from '@/features/fleet/RatedFigures';
import { Severity } from '@/features/service';
import { useUnitSheet } from '@/features/sheet';
import { useChange, useEntry } from '@/outbox';
import { WriteSheet } from '@/forms';

/** Notes for everybody; lay-up, going and the label for the lead. */
export function LeadTools({ page }: { readonly page: UnitPage }) {
  const { role } = usePerson();
  const { unit } = page;
  const change = useChange('changeUnit');
  const note = useEntry('note');
  const left = useEntry('left-anyway');
  const [sheet, setSheet] = useState<Opened | null>(null);
  const send = (body: {
    readonly gone?: { readonly why: string } | null;
    readonly rated?: Rated;
    readonly severity?: number;
  }) => ({
    params: { tag: unit.tag },
    body: { gone: undefined, rated: undefined, ...body },
    seenVersion: unit.version,
  });
  return (
    <Section title="More">
      {change.isError && sheet === null ? <Failure sentence={sentenceOf(change.error)} /> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button label="Write a note" onPress={() => setSheet('note')} />
        <Button label="Print the label" onPress={() => router.navigate(`/u/${unit.tag}/label`)} />
        {role === 'apprentice' ? null : (
          <Button label="Somebody tells of trouble" onPress={() => router.navigate(`/u/${unit.tag}/trouble`)} />
        )}
        <Button label="Numbers for it" onPress={() => router.navigate(`/numbers?unit=${unit.tag}`)} />
        {role === 'lead' ? (
          <OfLead page={page} onSheet={setSheet} onChange={(body) => change.mutate(send(body))} />
        ) : null}
      </View>
      {sheet === 'note' ? (
        <WriteSheet
          title="Write a note"
          label="Note"
          button="Save the note"
          least={1}
          error={note.error}
          onSend={(text) => note.mutateAsync({ facts: { text }, on: { tag: unit.tag } })}
          onClose={() => setSheet(null)}
        />
      ) : null}
      {sheet === 'lay-up' ? (
        <LaidUpSheet tag={unit.tag} classId={unit.classId} method={null} onClose={() => setSheet(null)} />
      ) : null}
      {sheet === 'wake' ? <WakeOfUnit tag={unit.tag} onClose={() => setSheet(null)} /> : null}
      {sheet === 'rated' ? (
        <RatedSheet
          page={page}
          error={change.error}
          onKeep={(rated) => change.mutate(send({ rated }), { onSuccess: () => setSheet(null) })}
          onClose={() => setSheet(null)}
        />
      ) : null}
      {sheet === 'severity' ? (
        <SeveritySheet
          tag={unit.tag}
          error={change.error}
          onKeep={(severity) => change.mutate(send({ severity }), { onSuccess: () => setSheet(null) })}
          onClose={() => setSheet(null)}
        />
      ) : null}
      {sheet === 'left-anyway' ? (
        <WriteSheet
          title={`${unit.tag} has left`}
          sentence="It was not handed out here. It counts as out from now on; the counter is warned until it is back, and it comes back held."
          label="How it came to leave"
          button="It has left"
          kind="stop"
          least={3}
          error={left.error}
          onSend={(why) => left.mutateAsync({ facts: { hire: null, dueAt: null, why }, on: { tag: unit.tag } })}
          onClose={() => setSheet(null)}
        />
      ) : null}
      {sheet === 'gone' ? (
        <WriteSheet
          title={`${unit.tag} leaves the yard`}
          label="Sold or scrapped: which, and why"
          button="It is gone"
          least={3}
          error={change.error}
          onSend={(why) => change.mutateAsync(send({ gone: { why } }))}
          onClose={() => setSheet(null)}
        />
      ) : null}
    </Section>
  );
}

type Opened = 'note' | 'lay-up' | 'wake' | 'gone' | 'rated' | 'severity' | 'left-anyway';

interface OfLeadProps {
  readonly page: UnitPage;
  readonly onSheet: (sheet: Opened) => void;
  readonly onChange: (body: { readonly gone?: null }) => void;
}

function OfLead({ page, onSheet, onChange }: OfLeadProps) {
  const { unit, hire } = page;
  const model = useUnitSheet(unit.tag)?.model;
  const { readiness } = unit.verdict;
  const laidUp = readiness === 'laid-up';
  if (readiness === 'gone')
    return (
      <>
        {model === undefined ? null : <OfModel id={model.id} />}
        <Button label="It is back on the yard" onPress={() => onChange({ gone: null })} />
      </>
    );
  return (
    <>
      {hire ? null : (
        <>
          <Button label={laidUp ? 'Wake it up' : 'Lay it up'} onPress={() => onSheet(laidUp ? 'wake' : 'lay-up')} />
          <Button kind="stop" label="It has left without being handed out" onPress={() => onSheet('left-anyway')} />
          <Button kind="stop" label="It leaves the yard" onPress={() => onSheet('gone')} />
        </>
      )}
      {model === undefined ? null : <OfModel id={model.id} />}
      <Button label="Its rated figures" onPress={() => onSheet('rated')} />
      <Button label="How hard it works" onPress={() => onSheet('severity')} />
    </>
  );
}

interface RatedProps {
  readonly page: UnitPage;
  readonly error: Error | null;
  readonly onKeep: (rated: Rated) => void;
  readonly onClose: () => void;
}

/** This one's own plate, where it says otherwise than its model's sheet: check-in and proof go by it. */
function RatedSheet({ page: { unit, ratings }, error, onKeep, onClose }: RatedProps) {
  const [rated, setRated] = useState<Rated>(ratings.unit);
  return (
    <Sheet title={`${unit.tag}: its own plate`} open onClose={onClose}>
      {error ? <Failure sentence={sentenceOf(error)} kept="What you wrote is still here." /> : null}
      <RatedFigures classId={unit.classId} usual={ratings.model} rated={rated} onChange={setRated} />
      <Button kind="main" tall label="Save its figures" onPress={() => onKeep(rated)} />
    </Sheet>
  );
}

interface SeverityProps {
  readonly tag: string;
  readonly error: Error | null;
  readonly onKeep: (severity: number) => void;
  readonly onClose: () => void;
}

/** One that works in dust and heat while others of its model do not: its hours between services are fewer. */
function SeveritySheet({ tag, error, onKeep, onClose }: SeverityProps) {
  const { data } = useRead('unitService', { params: { tag } });
  return (
    <Sheet title={`${tag}: how hard it works`} open onClose={onClose}>
      {error ? <Failure sentence={sentenceOf(error)} /> : null}
      <Words>
        What is done after running hours is done sooner where work is hard. Its model’s own plan counts first; the
        maker’s manual comes before both.
      </Words>
      <Severity value={data?.severity ?? 1} onChange={onKeep} />
    </Sheet>
  );
}

/** What is known of its model, to be changed. */
const OfModel = ({ id }: { readonly id: number }) => (
  <>
    <Button label="Its model’s data sheet" onPress={() => router.navigate(`/models/${id}`)} />
    <Button label="Its model’s service plan" onPress={() => router.navigate(`/plans/${id}`)} />
  </>
);
