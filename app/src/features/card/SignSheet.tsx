import type { CardStep } from '@hudrik/core/card';
import { WORKS_ON_UNITS, type CardReply, type Defect } from '@hudrik/core/contracts';
import type { Facts } from '@hudrik/core/log';
import type { Proof } from '@hudrik/core/proof';
import { useState } from 'react';
import { View } from 'react-native';
import { usePerson } from '@/api';
import { Button, Field, Section, Sheet, Words } from '@/design';
import { sayValue } from '@/writing';
import { photosOf, secondIn, SecondPerson, type Second } from '@/features/second';
import { SignLine, type SaidOf } from './SignLine';
import type { CardHandle } from './useCard';

type Signed = Omit<Facts<'proved'>, 'passed'>;

interface Props {
  readonly handle: CardHandle;
  readonly proof: Proof;
  readonly reply: CardReply;
  readonly onSign: (signed: Signed, photos: readonly string[]) => void;
  readonly onClose: () => void;
}

/** All in one sheet: what was wrong, what was done, what was measured, and who signs. */
export function SignSheet({ handle, proof, reply, onSign, onClose }: Props) {
  const { name } = usePerson();
  const [note, setNote] = useState('');
  const [said, setSaid] = useState<Readonly<Record<string, SaidOf>>>({});
  const [second, setSecond] = useState<Second | null>(null);
  const jobs = reply.jobs.filter((job) => job.state === 'open');
  const defects = defectsOf(reply);
  const left = (handle.card?.steps ?? []).filter(
    (step) => step.state === 'to-do' && jobs.some((job) => job.id === step.jobId),
  );
  const unseen = defects.filter((defect) => (said[defect.id]?.what ?? null) === null && !isShownByRun(defect, proof));
  // What is dangerous and was not found, two people have looked for.
  const danger = defects.find(
    ({ id, origin, safety }) => said[id]?.what === 'not-found' && origin.kind === 'told' && safety,
  );
  const waiting = reply.jobs.filter((job) => job.state === 'waiting' || job.state === 'put-off');
  return (
    <Sheet title={`${reply.unit.tag}: sign`} open onClose={onClose}>
      {defects.length > 0 ? (
        <Section title="What was wrong">
          <Words size={15}>Look at each once more, and tick what is in order now.</Words>
          {defects.map((defect) => (
            <SignLine
              key={defect.id}
              defect={defect}
              proof={proof}
              classId={reply.unit.classId}
              said={said[defect.id] ?? null}
              onSay={(of) => setSaid((before) => ({ ...before, [defect.id]: of }))}
            />
          ))}
        </Section>
      ) : null}
      <WhatWasDone handle={handle} reply={reply} />
      <Measured proof={proof} />
      {waiting.length > 0 ? (
        <Words size={15} role="note">{`Left for the next visit: ${waiting.map((job) => job.title).join('; ')}.`}</Words>
      ) : null}
      {danger ? (
        <SecondPerson
          sentence={`Told and dangerous: ${danger.sentence} That it was not found, two people say.`}
          who={WORKS_ON_UNITS}
          wantsPhoto={false}
          second={second}
          onSecond={setSecond}
        />
      ) : null}
      <Field label="What was done, for whoever opens it next" value={note} onChangeText={setNote} multiline />
      <Button
        kind="main"
        tall
        label="Passed: sign"
        detail={name}
        offBecause={
          left.length > 0
            ? 'Each step is ticked, or dropped with a reason, before it is signed.'
            : unseen.length > 0
              ? `${unseen.length === 1 ? 'One line is' : `${unseen.length} lines are`} not ticked yet.`
              : danger && second === null
                ? 'A second person says so too, or you say why there is none.'
                : null
        }
        onPress={() =>
          onSign({ note: note.trim(), ...signedOf(said), ...(danger ? secondIn(second) : {}) }, photosOf(second))
        }
      />
    </Sheet>
  );
}

/** What the jobs that are begun are there for, with all that is known of each. */
function defectsOf(reply: CardReply): Defect[] {
  const ids = reply.jobs.filter((job) => job.state === 'open').flatMap((job) => job.defects);
  return ids.map(
    ({ id, sentence }) => reply.defects.find((defect) => defect.id === id) ?? { ...UNKNOWN, id, sentence },
  );
}
const UNKNOWN: Omit<Defect, 'id' | 'sentence'> = {
  origin: { kind: 'by-hand', id: '' },
  weight: 'hold',
  safety: false,
  caution: null,
  closer: '',
  jobId: null,
  causes: [],
  foundAt: '',
  by: null,
  seenAt: '',
  looks: [],
  second: null,
  toldBy: null,
};

const isShownByRun = ({ origin }: Defect, proof: Proof): boolean =>
  origin.kind === 'reading' &&
  proof.readings.some(({ reading, verdict }) => reading.id === origin.id && verdict === 'well');

function signedOf(said: Readonly<Record<string, SaidOf>>): Omit<Signed, 'note'> {
  const all = Object.entries(said);
  const idsSaid = (what: SaidOf['what']) => all.filter(([, one]) => one.what === what).map(([id]) => id);
  const measured = all.flatMap(([defectId, one]) => (one.reading ? [{ defectId, ...one.reading }] : []));
  const [notFound, leftOpen] = [idsSaid('not-found'), idsSaid('open')];
  return {
    looks: idsSaid('right'),
    ...(measured.length > 0 ? { measured } : {}),
    ...(notFound.length > 0 ? { notFound } : {}),
    ...(leftOpen.length > 0 ? { leftOpen } : {}),
  };
}

function WhatWasDone({ handle, reply }: Pick<Props, 'handle' | 'reply'>) {
  const jobs = reply.jobs.filter((job) => job.state === 'open');
  const steps = (handle.card?.steps ?? []).filter(
    (step) => step.state !== 'dropped' && jobs.some((job) => job.id === step.jobId),
  );
  const left = steps.filter((step) => step.state === 'to-do');
  const tickAll = () => {
    for (const { stepId, jobId } of left) handle.add('step-done', { stepId }, { jobId });
  };
  return (
    <Section title="What was done">
      {left.length > 0 ? (
        <View className="gap-2 border-l-[6px] border-prep bg-paper p-3">
          <Words size={15}>{`Not ticked: ${left.map((step) => step.title).join('; ')}.`}</Words>
          <Button
            label={left.length === 1 ? 'It was done: tick it' : `All ${left.length} were done: tick them`}
            onPress={tickAll}
          />
        </View>
      ) : null}
      {[...byPerson(steps)].map(([person, done]) => (
        <View key={person} className="gap-1">
          <Words size={13} tone="ink-soft">
            {person}
          </Words>
          {done.map((step) => (
            <Words key={step.stepId} size={15}>{`✓ ${step.title}`}</Words>
          ))}
        </View>
      ))}
      {reply.parts
        .filter((line) => line.state === 'used')
        .map((line) => (
          <Words key={line.id} size={15}>{`${line.count} × ${line.number} ${line.name}`}</Words>
        ))}
    </Section>
  );
}

/** Steps that are done, by who did them. */
function byPerson(steps: readonly CardStep[]): Map<string, CardStep[]> {
  const by = new Map<string, CardStep[]>();
  for (const step of steps)
    if (step.state === 'done') by.set(step.by ?? 'Somebody', [...(by.get(step.by ?? 'Somebody') ?? []), step]);
  return by;
}

function Measured({ proof }: { readonly proof: Proof }) {
  if (!proof.asksRun && proof.leakLook === 'not-asked') return null;
  return (
    <Section title="What was measured">
      {proof.leakLook === 'dry' ? <Words size={15}>Dry with the fuel on.</Words> : null}
      {proof.asksRun ? (
        <Words
          size={15}
        >{`${proof.minutesRun} min ${proof.asksLoad ? 'under load' : 'running'}${proof.unbroken ? ' without a break' : ''}.`}</Words>
      ) : null}
      {proof.readings.map(({ reading, value }) =>
        value === null ? null : (
          <Words key={reading.id} size={15}>{`${reading.name}: ${sayValue(value)} ${reading.unit}`}</Words>
        ),
      )}
    </Section>
  );
}
