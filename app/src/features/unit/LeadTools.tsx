import type { Rated } from '@hudrik/core/catalogue';
import type { UnitPage } from '@hudrik/core/contracts';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useChange, usePerson } from '@/api';
import { Button, Failure, Section, Sheet } from '@/design';
import { RatedFigures } from '@/features/fleet/RatedFigures';
import { useUnitSheet } from '@/features/sheet';
import { useEntry } from '@/outbox';
import { WriteSheet } from '@/forms';

/** Notes for everybody; lay-up, going and the label for the lead. */
export function LeadTools({ page }: { readonly page: UnitPage }) {
  const { role } = usePerson();
  const { unit } = page;
  const change = useChange('changeUnit');
  const note = useEntry('note');
  const [sheet, setSheet] = useState<'note' | 'gone' | 'rated' | null>(null);
  const model = useUnitSheet(unit.tag)?.model;
  const laidUp = unit.verdict.readiness === 'laid-up';
  const gone = unit.verdict.readiness === 'gone';
  const send = (body: {
    readonly laidUp?: boolean;
    readonly gone?: { readonly why: string } | null;
    readonly rated?: Rated;
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
        {role === 'lead' && !page.hire && !gone ? (
          <Button
            label={laidUp ? 'Wake it up' : 'Lay it up'}
            onPress={() => change.mutate(send({ laidUp: !laidUp }))}
          />
        ) : null}
        {role === 'lead' && !page.hire && !gone ? (
          <Button kind="stop" label="It leaves the yard" onPress={() => setSheet('gone')} />
        ) : null}
        <Button label="Numbers for it" onPress={() => router.navigate(`/numbers?unit=${unit.tag}`)} />
        {role === 'lead' && model !== undefined ? <OfModel id={model.id} /> : null}
        {role === 'lead' && !gone ? <Button label="Its rated figures" onPress={() => setSheet('rated')} /> : null}
        {role === 'lead' && gone ? (
          <Button label="It is back on the yard" onPress={() => change.mutate(send({ gone: null }))} />
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
      {sheet === 'rated' ? (
        <RatedSheet
          page={page}
          error={change.error}
          onKeep={(rated) => change.mutate(send({ rated }), { onSuccess: () => setSheet(null) })}
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

/** What is known of its model, to be changed. */
const OfModel = ({ id }: { readonly id: number }) => (
  <>
    <Button label="Its model’s data sheet" onPress={() => router.navigate(`/models/${id}`)} />
    <Button label="Its model’s service plan" onPress={() => router.navigate(`/plans/${id}`)} />
  </>
);
