import { cautionText, TEARDOWNS } from '@hudrik/core/catalogue';
import type { Thing } from '@hudrik/core/teardown';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf } from '@/api';
import { useAddEntry } from '@/outbox';
import { Button, Caution, Choice, Failure, Field, Loading, Page, Sheet, useIsWide, Words } from '@/design';
import { HowItSat } from './Ledger';
import { NotTaken } from './NotTaken';
import { MarkedPhoto } from './PhotoMarks';
import { TrayCard } from './TrayCard';
import { useCard, type CardHandle } from './useCard';

/** Putting back, the last off first, one thing a screen. */
export function PutBackScreen({ jobId }: { readonly jobId: string }) {
  const handle = useCard(jobId);
  const wide = useIsWide();
  const [other, setOther] = useState(false);
  if (handle.card === null)
    return handle.error ? (
      <Page>
        <Failure sentence={sentenceOf(handle.error)} retry={handle.retry} />
      </Page>
    ) : (
      <Loading what="the ledger" />
    );
  const { putBack, onTrial, things } = handle.card.ledger;
  const thing = putBack[0] ?? onTrial[0] ?? null;
  const off = things.length - putBack.length - onTrial.length;
  return (
    <View className="flex-1">
      <Page wide={wide}>
        <View className="flex-row items-baseline gap-3">
          <Words role="heading" aria-level={1} size={22} face="strong" className="flex-1">
            {thing === null ? 'Nothing is left over.' : `${off + 1} of ${things.length}`}
          </Words>
          <Button kind="quiet" label="To the card" onPress={() => router.navigate(`/j/${jobId}`)} />
        </View>
        <View
          className="h-[8px] bg-paper"
          role="progressbar"
          aria-label="Back on"
          aria-valuenow={off}
          aria-valuemax={things.length}
        >
          <View
            className="h-full bg-mark"
            style={{ width: `${things.length === 0 ? 100 : (off / things.length) * 100}%` }}
          />
        </View>
        <NotTaken handle={handle} />
        {thing ? (
          <OneThing
            key={thing.thingId}
            thing={thing}
            things={things}
            handle={handle}
            jobId={jobId}
            wide={wide}
            other={other}
            setOther={setOther}
          />
        ) : (
          <Button kind="main" tall label="To the card" onPress={() => router.navigate(`/j/${jobId}`)} />
        )}
      </Page>
      {thing ? (
        <View className="gap-2 border-t-2 border-ink bg-tray-deep p-3">
          {thing.state === 'on-trial' ? null : (
            <Button
              kind="main"
              tall
              label="It is back on"
              onPress={() => handle.add('put-back', { thingId: thing.thingId })}
            />
          )}
          <Button
            kind={thing.state === 'on-trial' ? 'main' : 'plain'}
            label="Replaced, or left off on purpose"
            onPress={() => setOther(true)}
          />
        </View>
      ) : null}
    </View>
  );
}

function OneThing({
  thing,
  things,
  handle,
  jobId,
  wide,
  other,
  setOther,
}: {
  readonly thing: Thing;
  readonly things: readonly Thing[];
  readonly handle: CardHandle;
  readonly jobId: string;
  readonly wide: boolean;
  readonly other: boolean;
  readonly setOther: (open: boolean) => void;
}) {
  const shown = thing.photos.at(-1);
  const caution = Object.values(TEARDOWNS)
    .flatMap((entry): readonly { key: string; caution?: string }[] => entry.things)
    .find((entry) => entry.key === thing.key)?.caution;
  const onTrial = thing.state === 'on-trial';
  return (
    <>
      <View className={wide ? 'flex-row items-start gap-6' : 'gap-4'}>
        <View className={`gap-3 ${wide ? 'min-w-0 flex-1' : ''}`}>
          {onTrial ? (
            <Words tone="held" role="note">{`On for the trial only (${thing.by}). Replace it before the proof.`}</Words>
          ) : null}
          <View className="flex-row items-baseline gap-4">
            <Words face="stencil" size={56}>
              {thing.tray}
              {thing.place}
            </Words>
            <Words face="strong" size={32} className="min-w-0 flex-1" role="status">
              {thing.what}
            </Words>
          </View>
          <HowItSat thing={thing} reverse />
          {caution ? <Caution text={cautionText(caution)} /> : null}
          <TrayCard things={things} tray={thing.tray} next={thing.place} />
        </View>
        <View className={wide ? 'min-w-0 flex-1' : ''}>
          {shown ? (
            <MarkedPhoto id={shown.photoId} marks={shown.marks} sentence={`How ${thing.what.toLowerCase()} sat`} />
          ) : (
            <Words tone="ink-soft">No photo was taken of it.</Words>
          )}
        </View>
      </View>
      {other ? <OtherSheet thing={thing} handle={handle} jobId={jobId} onClose={() => setOther(false)} /> : null}
    </>
  );
}

const ENDS = [
  ['replaced', 'Replaced by a part'],
  ['trial', 'For the trial only'],
  ['struck-off', 'Stays as it is'],
] as const;

/** What became of a thing that does not go back as it was. */
function OtherSheet({
  thing,
  handle,
  jobId,
  onClose,
}: {
  readonly thing: Thing;
  readonly handle: CardHandle;
  readonly jobId: string;
  readonly onClose: () => void;
}) {
  const [end, setEnd] = useState<(typeof ENDS)[number][0]>('replaced');
  const [text, setText] = useState('');
  const [keepsOld, setKeepsOld] = useState(false);
  const addEntry = useAddEntry();
  const keep = () => {
    if (end === 'struck-off') handle.add('struck-off', { thingId: thing.thingId, why: text.trim() });
    else handle.add('replaced', { thingId: thing.thingId, part: text.trim(), forTrial: end === 'trial' });
    if (keepsOld && end === 'replaced')
      void addEntry(
        'part-kept',
        { name: thing.what, number: null, place: `Tray ${thing.tray} ${thing.place}` },
        { jobId },
      );
    onClose();
  };
  const numbers = (handle.reply?.parts ?? []).filter((line) => line.state !== 'dropped').map((line) => line.number);
  return (
    <Sheet title={thing.what} open onClose={onClose}>
      <View className="gap-2">
        {ENDS.map(([id, label]) => (
          <Choice key={id} label={label} on={end === id} onPress={() => setEnd(id)} />
        ))}
      </View>
      {end === 'struck-off' ? (
        <Words size={15}>A bolt that stays in because it would snap counts too: say why.</Words>
      ) : null}
      <Field label={end === 'struck-off' ? 'Why' : 'Part number, or what it is'} value={text} onChangeText={setText} />
      {end === 'replaced' ? (
        <Choice label="Keep the old one as an exchange part" on={keepsOld} onPress={() => setKeepsOld(!keepsOld)} />
      ) : null}
      {end !== 'struck-off' && numbers.length > 0 ? (
        <View className="flex-row flex-wrap gap-2">
          {numbers.map((number) => (
            <Choice key={number} label={number} on={text === number} onPress={() => setText(number)} />
          ))}
        </View>
      ) : null}
      <Button
        kind="main"
        tall
        label="Save"
        offBecause={text.trim().length < 2 ? 'Write a few words, or a number.' : null}
        onPress={keep}
      />
    </Sheet>
  );
}
