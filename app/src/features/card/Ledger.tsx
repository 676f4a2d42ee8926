import { entryOf, TEARDOWN_IDS, TEARDOWNS, type UsualThing } from '@hudrik/core/catalogue';
import { nextPlace, type Thing } from '@hudrik/core/teardown';
import { router } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { newId, useSigns } from '@/api';
import { Button, Card, Choice, Empty, Section, Words } from '@/design';
import { MarkedPhoto, MarkSheet } from './PhotoMarks';
import { sayTurns, THING_WORD } from './say';
import { ThingSheet, UsualSheet } from './ThingSheet';
import { TrayCard } from './TrayCard';
import type { CardHandle } from './useCard';
import { useTakePhoto } from '@/photos';

const TRAYS = ['A', 'B', 'C'] as const;
const OFFERED = 4;

/** What was taken off, in order, where each thing lies and how it sat. */
export function Ledger({
  handle,
  jobId,
  works,
}: {
  readonly handle: CardHandle;
  readonly jobId: string;
  readonly works: boolean;
}) {
  const { card, reply, add } = handle;
  const [tray, setTray] = useState<string>('A');
  const [shown, setShown] = useState<string | null>(null);
  const [sheet, setSheet] = useState<'by-hand' | 'teardown' | null>(null);
  if (card === null) return null;
  const { things, putBack, onTrial } = card.ledger;
  const usual = card.teardowns.flatMap(
    (id): readonly UsualThing[] => reply?.learnt[id] ?? entryOf(TEARDOWNS, id)?.things ?? [],
  );
  const next = usual.filter((thing) => !things.some((one) => one.key === thing.key));
  const place = nextPlace(things, tray);
  const takeOff = (thing: Pick<UsualThing, 'what' | 'fasteners' | 'system'> & { readonly key: string | null }) => {
    const thingId = newId();
    add('taken-off', {
      thingId,
      what: thing.what,
      key: thing.key,
      tray,
      place,
      fasteners: thing.fasteners ?? [],
      orientation: '',
      linkHole: '',
      stack: [],
      quarterTurns: null,
      ...(thing.system === undefined ? {} : { system: thing.system }),
    });
    setShown(thingId);
  };
  const last = things.find((thing) => thing.thingId === shown) ?? null;
  return (
    <Section title="Taken off" count={things.length} place="tray">
      {works ? (
        <View className="gap-2">
          <View className="flex-row items-center gap-2">
            {TRAYS.map((entry) => (
              <Choice
                key={entry}
                className="flex-1"
                label={`Tray ${entry}`}
                on={tray === entry}
                onPress={() => setTray(entry)}
              />
            ))}
          </View>
          <TrayCard things={things} tray={tray} next={place} />
          <View className="flex-row flex-wrap gap-2" role="group" aria-label="Comes off next">
            {next.slice(0, OFFERED).map((thing) => (
              <Button
                key={thing.key}
                className="grow"
                label={thing.what}
                detail={
                  thing.fasteners?.length
                    ? thing.fasteners.map((entry) => `${entry.count} × ${entry.size}`).join(', ')
                    : ''
                }
                aria-label={`Off: ${thing.what}`}
                onPress={() => takeOff(thing)}
              />
            ))}
          </View>
          <View className="flex-row flex-wrap gap-2">
            <Button className="grow" label="Something else came off" onPress={() => setSheet('by-hand')} />
            <Button kind="quiet" label="A known teardown" onPress={() => setSheet('teardown')} />
          </View>
        </View>
      ) : null}
      {last ? <JustOff thing={last} handle={handle} /> : null}
      {things.length === 0 ? (
        <Empty sentence="Nothing has been taken off. Put each thing into a numbered hole, and take a photo before it moves." />
      ) : null}
      <View role="list">
        {[...things].reverse().map((thing) => (
          <ThingRow
            key={thing.thingId}
            thing={thing}
            onPress={() => setShown(thing.thingId === shown ? null : thing.thingId)}
          />
        ))}
      </View>
      {works && putBack.length > 0 ? (
        <Button tall label={`Put back: ${putBack.length} to go`} onPress={() => router.navigate(`/j/${jobId}/back`)} />
      ) : null}
      {onTrial.length > 0 ? (
        <Words
          tone="held"
          role="note"
        >{`Fitted for the trial only, to be replaced: ${onTrial.map((thing) => thing.what).join(', ')}.`}</Words>
      ) : null}
      {sheet === 'by-hand' ? (
        <ThingSheet
          title="What came off"
          asksSystem
          onKeep={(facts) => {
            const thingId = newId();
            add('taken-off', { ...facts, thingId, key: null, tray, place });
            setShown(thingId);
            setSheet(null);
          }}
          onClose={() => setSheet(null)}
        />
      ) : null}
      {sheet === 'teardown' ? (
        <UsualSheet
          known={card.teardowns}
          learnt={reply?.learnt ?? {}}
          ids={TEARDOWN_IDS}
          onPick={(id) => {
            add('teardown-begun', { teardown: id });
            setSheet(null);
          }}
          onClose={() => setSheet(null)}
        />
      ) : null}
    </Section>
  );
}

function ThingRow({ thing, onPress }: { readonly thing: Thing; readonly onPress: () => void }) {
  const off = thing.state === 'off' || thing.state === 'on-trial';
  return (
    <View role="listitem">
      <Pressable
        role="button"
        aria-label={`${thing.what}, ${THING_WORD[thing.state]}, tray ${thing.tray} ${thing.place}`}
        onPress={onPress}
        className="min-h-[48px] flex-row items-center gap-3 border-b border-line py-1"
      >
        <Words face="figures" size={22} className="w-[44px]">
          {thing.tray}
          {thing.place}
        </Words>
        <Words face={off ? 'strong' : 'text'} className="min-w-0 flex-1">
          {thing.what}
        </Words>
        <Words size={13} tone={thing.state === 'on-trial' ? 'held' : 'ink-soft'}>
          {thing.photos.length > 0 ? '▣ ' : ''}
          {THING_WORD[thing.state]}
        </Words>
      </Pressable>
    </View>
  );
}

/** One thing of the ledger: its photo, how it sat, and what to do with it. */
function JustOff({ thing, handle }: { readonly thing: Thing; readonly handle: CardHandle }) {
  const [marking, setMarking] = useState<string | null>(null);
  const [editing, setEditing] = useState(false);
  const signs = useSigns();
  const photo = useTakePhoto((photoId) => {
    handle.add('photo', { photoId, marks: [], stepId: null, thingId: thing.thingId }, { photos: [photoId] });
    setMarking(photoId);
  });
  const shown = thing.photos.at(-1);
  return (
    <Card className="gap-2">
      <View className="flex-row items-baseline gap-3">
        <Words face="stencil" size={32}>
          {thing.tray}
          {thing.place}
        </Words>
        <Words face="strong" size={22} className="min-w-0 flex-1">
          {thing.what}
        </Words>
      </View>
      {shown ? (
        <MarkedPhoto id={shown.photoId} marks={shown.marks} small sentence={`How ${thing.what.toLowerCase()} sat`} />
      ) : null}
      <HowItSat thing={thing} />
      {photo.input}
      {photo.wrong ? (
        <Words tone="held" role="alert">
          {photo.wrong}
        </Words>
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        <Button className="grow" label={shown ? 'Another photo' : 'Photo'} onPress={photo.take} />
        {shown ? <Button className="grow" label="Mark it" onPress={() => setMarking(shown.photoId)} /> : null}
        <Button className="grow" label="How it sat" onPress={() => setEditing(true)} />
      </View>
      {marking ? (
        <MarkSheet
          id={marking}
          marks={thing.photos.find((entry) => entry.photoId === marking)?.marks ?? []}
          onKeep={(marks) => {
            handle.add('photo-marked', { photoId: marking, marks: [...marks] });
            setMarking(null);
          }}
          onClose={() => setMarking(null)}
        />
      ) : null}
      {editing ? (
        <ThingSheet
          title={thing.what}
          thing={thing}
          asksSystem={thing.system === undefined || signs}
          onKeep={(facts) => {
            handle.add('thing-changed', {
              ...facts,
              thingId: thing.thingId,
              key: thing.key,
              tray: thing.tray,
              place: thing.place,
            });
            setEditing(false);
          }}
          onClose={() => setEditing(false)}
        />
      ) : null}
    </Card>
  );
}

/** What was written down of a thing, line by line. */
export function HowItSat({ thing, reverse = false }: { readonly thing: Thing; readonly reverse?: boolean }) {
  const stack = reverse ? [...thing.stack].reverse() : thing.stack;
  const lines = [
    ...thing.fasteners.map((entry) => `${entry.count} × ${entry.size}${entry.place ? `: ${entry.place}` : ''}`),
    ...(thing.orientation ? [thing.orientation] : []),
    ...(thing.linkHole ? [`Link in hole ${thing.linkHole}`] : []),
    ...(stack.length > 0
      ? [`${reverse ? 'Goes on in this order' : 'Came off in this order'}: ${stack.join(' · ')}`]
      : []),
    ...(thing.quarterTurns === null ? [] : [`${sayTurns(thing.quarterTurns)} out from lightly seated`]),
    ...(thing.by ? [`${thing.state === 'struck-off' ? 'Stays as it is' : 'By'}: ${thing.by}`] : []),
  ];
  return (
    <View className="gap-1">
      {lines.map((line) => (
        <Words key={line}>{line}</Words>
      ))}
    </View>
  );
}
