import type { CardStep } from '@hudrik/core/card';
import {
  cautionText,
  CLOCK_IDS,
  CLOCKS,
  READING_KINDS,
  type ClockId,
  TEARDOWN_IDS,
  TEARDOWNS,
} from '@hudrik/core/catalogue';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { newId } from '@/api';
import { Button, Caution, Field, Sheet, Words } from '@/design';
import { MeasureSheet } from './Readings';
import type { CardHandle } from './useCard';

/** The steps under a job's heading: tick, open, change, add, drop with a reason. */
export function StepList({
  handle,
  jobId,
  works,
  onClock,
}: {
  readonly handle: CardHandle;
  /** Whose; none: those that stand under no heading. */
  readonly jobId: string | null;
  readonly works: boolean;
  readonly onClock: (clock: ClockId, stepId: string) => void;
}) {
  const [open, setOpen] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const [title, setTitle] = useState('');
  const all = handle.card?.steps ?? [];
  const steps = all.filter((step) => step.jobId === jobId);
  const first = all.find((step) => step.state === 'to-do')?.stepId ?? null;
  const step = steps.find((entry) => entry.stepId === open) ?? null;
  const add = () => {
    handle.add('step-added', { stepId: newId(), title: title.trim() }, { jobId });
    setTitle('');
    setAdding(false);
  };
  return (
    <View className="gap-2">
      <View role="list">
        {steps
          .filter((entry) => entry.state !== 'dropped')
          .map((entry) => (
            <StepRow
              key={entry.stepId}
              step={entry}
              next={entry.stepId === first}
              handle={handle}
              works={works}
              onOpen={() => setOpen(entry.stepId)}
              onClock={onClock}
            />
          ))}
      </View>
      {works ? <Button kind="quiet" className="self-start" label="+ A step" onPress={() => setAdding(true)} /> : null}
      {step ? <StepSheet step={step} handle={handle} onClose={() => setOpen(null)} /> : null}
      {adding ? (
        <Sheet title="Another step" open onClose={() => setAdding(false)}>
          <Field label="What is to be done" value={title} onChangeText={setTitle} />
          <Button
            kind="main"
            tall
            label="Add it"
            offBecause={title.trim() === '' ? 'Write what is to be done.' : null}
            onPress={add}
          />
        </Sheet>
      ) : null}
    </View>
  );
}

interface RowProps {
  readonly step: CardStep;
  readonly next: boolean;
  readonly handle: CardHandle;
  readonly works: boolean;
  readonly onOpen: () => void;
  readonly onClock: (clock: ClockId, stepId: string) => void;
}

/** What a step brings with it: its clock, its reading, what it takes apart. */
function StepTools({
  step,
  handle,
  onClock,
  onMeasure,
}: Pick<RowProps, 'step' | 'handle' | 'onClock'> & { readonly onMeasure: () => void }) {
  const clock = CLOCK_IDS.find((id) => id === step.clock);
  const teardown = TEARDOWN_IDS.find((id) => id === step.teardown);
  const begun = teardown !== undefined && handle.card?.teardowns.includes(teardown);
  return (
    <View className="flex-row flex-wrap gap-2">
      {clock ? (
        <Button
          className="grow"
          label={`Start the clock: ${CLOCKS[clock].name.toLowerCase()}`}
          onPress={() => onClock(clock, step.stepId)}
        />
      ) : null}
      {step.reading ? <Button className="grow" label="Take the reading" onPress={onMeasure} /> : null}
      {teardown && !begun ? (
        <Button
          className="grow"
          label={`Take apart: ${TEARDOWNS[teardown].name.toLowerCase()}`}
          onPress={() => handle.add('teardown-begun', { teardown })}
        />
      ) : null}
    </View>
  );
}

function StepRow({ step, next, handle, works, onOpen, onClock }: RowProps) {
  const [measuring, setMeasuring] = useState(false);
  const done = step.state === 'done';
  const reading = READING_KINDS.find((kind) => kind === step.reading);
  return (
    <View
      role="listitem"
      className={`gap-2 border-b border-line py-2 ${next ? 'border-l-[6px] border-l-mark pl-2' : ''}`}
    >
      <View className="flex-row items-center gap-3">
        <Pressable
          role="checkbox"
          aria-checked={done}
          aria-label={step.title}
          disabled={!works}
          onPress={() => handle.add(done ? 'step-undone' : 'step-done', { stepId: step.stepId }, { jobId: step.jobId })}
          className={`h-[48px] w-[48px] items-center justify-center border-2 border-ink ${done ? 'bg-mark' : 'bg-paper'}`}
        >
          <Words size={22} face="strong" tone="on-mark">
            {done ? '✓' : ''}
          </Words>
        </Pressable>
        <Pressable
          role="button"
          aria-label={`${step.title}: change or drop`}
          onPress={onOpen}
          className="min-h-[48px] min-w-0 flex-1 justify-center"
        >
          <Words face={next ? 'strong' : 'text'} tone={done ? 'ink-soft' : 'ink'}>
            {step.title}
          </Words>
          {done && step.by ? (
            <Words size={13} tone="ink-soft">
              {step.by}
            </Words>
          ) : null}
          {step.otherWords.map((other) => (
            <Words
              key={other.title}
              size={13}
              tone="held"
            >{`Two people changed this at once. ${other.by ?? 'The other'} wrote: “${other.title}”`}</Words>
          ))}
        </Pressable>
      </View>
      {!done && step.caution ? <Caution text={cautionText(step.caution)} /> : null}
      {works && !done ? (
        <StepTools step={step} handle={handle} onClock={onClock} onMeasure={() => setMeasuring(true)} />
      ) : null}
      {measuring && reading ? (
        <MeasureSheet
          kind={reading}
          stepId={step.stepId}
          when={step.key?.startsWith('after') ? 'after' : 'before'}
          handle={handle}
          onClose={() => setMeasuring(false)}
        />
      ) : null}
    </View>
  );
}

function StepSheet({
  step,
  handle,
  onClose,
}: {
  readonly step: CardStep;
  readonly handle: CardHandle;
  readonly onClose: () => void;
}) {
  const [title, setTitle] = useState(step.title);
  const [why, setWhy] = useState('');
  // What stood there when the person began to write: somebody else may write meanwhile.
  const [was] = useState(step.title);
  return (
    <Sheet title="A step" open onClose={onClose}>
      <Field label="What is to be done" value={title} onChangeText={setTitle} multiline />
      <Button
        kind="main"
        label="Change it"
        offBecause={title.trim() === '' || title === was ? 'Change the words above first.' : null}
        onPress={() => {
          handle.add('step-changed', { stepId: step.stepId, title: title.trim(), was });
          onClose();
        }}
      />
      <Field label="Not done: why" value={why} onChangeText={setWhy} />
      <Button
        kind="stop"
        label="Drop the step"
        offBecause={why.trim().length < 2 ? 'Write why it is not done.' : null}
        onPress={() => {
          handle.add('step-dropped', { stepId: step.stepId, why: why.trim() });
          onClose();
        }}
      />
    </Sheet>
  );
}
