import { cautionText } from '@hudrik/core/catalogue';
import type { Defect, UnitPage } from '@hudrik/core/contracts';
import { isOf } from '@hudrik/core/log';
import { router } from 'expo-router';
import { useCallback, useState } from 'react';
import { View } from 'react-native';
import { object, string } from 'yup';
import { sentenceOf, usePerson, useSigns } from '@/api';
import { Button, Card, Caution, Failure, ReadinessMark, Section, Sheet, Words } from '@/design';
import { FormChoices, FormField, useSchemaForm, words } from '@/forms';
import { entryOf, useEntry, usePending, type On } from '@/outbox';
import { sayTime } from '@/writing';
import { CloseSheet } from './CloseSheet';
import { LeadDecides } from './LeadDecides';
import { WrongUnit } from './WrongUnit';

/** All that is wrong with a unit, worst first, each with what closes it and who does something about it. */
export function Defects({ page }: { readonly page: UnitPage }) {
  const { role } = usePerson();
  const [finding, setFinding] = useState(false);
  const { tag } = page.unit;
  const pending = usePending(useCallback((on: On) => on.tag === tag, [tag]))
    .filter((item) => item.state === 'waiting')
    .map(entryOf);
  const closedHere = pending.flatMap((entry) => (isOf(entry, 'defect-closed') ? [entry.facts.defectId] : []));
  const foundHere = pending.filter((entry) => isOf(entry, 'defect-found'));
  const works = role !== 'counter';
  if (page.defects.length === 0 && !works) return null;
  return (
    <Section title="What is wrong" count={page.defects.length}>
      {page.defects.map((defect) => (
        <DefectCard key={defect.id} defect={defect} page={page} isClosedHere={closedHere.includes(defect.id)} />
      ))}
      {foundHere.map(({ id, facts }) => (
        <Card key={id}>
          <Words face="strong">{facts.sentence}</Words>
          <Words size={13} tone="ink-soft">
            Written down here, not sent yet.
          </Words>
        </Card>
      ))}
      {works ? (
        <Button
          label={page.defects.length === 0 ? 'Write down what is wrong' : 'Something else is wrong'}
          onPress={() => setFinding(true)}
        />
      ) : null}
      {finding ? <FoundSheet tag={page.unit.tag} onClose={() => setFinding(false)} /> : null}
    </Section>
  );
}

function DefectCard({
  defect,
  page,
  isClosedHere,
}: {
  readonly defect: Defect;
  readonly page: UnitPage;
  readonly isClosedHere: boolean;
}) {
  const { role } = usePerson();
  const [closing, setClosing] = useState(false);
  const signs = useSigns();
  const job = page.jobs.find((entry) => entry.id === defect.jobId);
  return (
    <Card className="gap-2">
      <View className="flex-row items-start gap-3">
        <ReadinessMark of={defect.weight === 'hold' ? 'held' : 'prep'} size={22} />
        <View className="min-w-0 flex-1 gap-1">
          <Words face="strong">{defect.sentence}</Words>
          <Words size={13} tone="ink-soft">
            {[
              defect.safety ? 'Safety: nobody can waive it' : null,
              `Found ${sayTime(defect.foundAt)}${defect.by ? ` by ${defect.by}` : ''}`,
              defect.seenAt === defect.foundAt ? null : `seen again ${sayTime(defect.seenAt)}`,
            ]
              .filter((part) => part !== null)
              .join(' · ')}
          </Words>
          <Words size={15}>{job ? defect.closer : `Nothing is being done about it. ${defect.closer}`}</Words>
        </View>
      </View>
      {isClosedHere ? (
        <Words role="status">Closed here, not sent yet: it counts when the yard’s server has it.</Words>
      ) : null}
      {defect.caution ? <Caution text={cautionText(defect.caution)} /> : null}
      <View className="flex-row flex-wrap gap-2">
        {job && role !== 'counter' ? (
          <Button
            className="grow"
            label="To its card"
            aria-label={`To the card of: ${job.title}`}
            onPress={() => router.navigate(`/j/${job.id}`)}
          />
        ) : null}
        {signs && !isClosedHere && defect.looks.length > 0 ? (
          <Button
            className="grow"
            kind={job ? 'quiet' : 'plain'}
            label="I looked: close it"
            aria-label={`Close: ${defect.sentence}`}
            onPress={() => setClosing(true)}
          />
        ) : null}
        {role === 'lead' && !isClosedHere ? <LeadDecides defect={defect} unit={page.unit} /> : null}
        {defect.toldBy !== null && role !== 'apprentice' ? (
          <WrongUnit entryId={defect.toldBy} sentence={defect.sentence} tag={page.unit.tag} />
        ) : null}
      </View>
      {closing ? <CloseSheet defect={defect} unit={page.unit} onClose={() => setClosing(false)} /> : null}
    </Card>
  );
}

const found = object({
  sentence: words(3).max(200).required(),
  weight: string().oneOf(['hold', 'prep']).required('Choose one.'),
  safety: string().oneOf(['true', 'false']).required('Choose one.'),
});
interface Typed {
  readonly sentence: string;
  readonly weight: string;
  readonly safety: string;
}

/** Something wrong, written down by hand. Whether it can hurt somebody is asked: it cannot be waived then. */
function FoundSheet({ tag, onClose }: { readonly tag: string; readonly onClose: () => void }) {
  const send = useEntry('defect-found');
  const { control, handleSubmit } = useSchemaForm<Typed, typeof found>(found, { sentence: '', weight: '', safety: '' });
  const keep = handleSubmit(async ({ safety, ...facts }) => {
    await send.mutateAsync({ facts: { ...facts, safety: safety === 'true' }, on: { tag } });
    onClose();
  });
  return (
    <Sheet title="What is wrong?" open onClose={onClose}>
      {send.error ? <Failure sentence={sentenceOf(send.error)} kept="What you wrote is still here." /> : null}
      <FormField control={control} name="sentence" label="In one sentence" multiline />
      <FormChoices
        control={control}
        name="safety"
        label="Can it hurt somebody?"
        isLabelShown
        options={[
          ['true', 'Yes'],
          ['false', 'No'],
        ]}
      />
      <FormChoices
        control={control}
        name="weight"
        label="Before its next hire"
        isLabelShown
        options={[
          ['hold', 'It must not go out'],
          ['prep', 'To be put right'],
        ]}
      />
      <Button
        kind="main"
        tall
        label="Write it down"
        disabled={send.isPending}
        onPress={() => void keep().catch(() => undefined)}
      />
    </Sheet>
  );
}
