import {
  CLOCK_IDS,
  CLOCKS,
  entryOf,
  type ClockId,
  type ClockKind,
  saySource,
  shortSource,
} from '@hudrik/core/catalogue';
import { useState } from 'react';
import { View } from 'react-native';
import type { CardClock } from '@hudrik/core/card';
import { newId, useSigns } from '@/api';
import { Button, Choice, Field, Section, Sheet, Whence, Words } from '@/design';
import { sayLeft, useServerNow } from '@/features/clocks';
import { sayMinutes, sayTime } from '@/writing';
import type { CardHandle } from './useCard';

/** A clock's kind; of one that a later edition no longer has, its id. */
const clockKind = (id: string): ClockKind =>
  entryOf<ClockKind>(CLOCKS, id) ?? { name: id, minutes: 0, note: '', results: {}, source: { kind: 'judgement' } };

/** The card's waits: what runs, what has ended and wants its result. */
export function ClocksOfCard({
  handle,
  works,
  asked,
  onAsked,
}: {
  readonly handle: CardHandle;
  readonly works: boolean;
  readonly asked: { readonly clock: ClockId | null; readonly stepId: string | null } | null;
  readonly onAsked: (asked: { clock: ClockId | null; stepId: string | null } | null) => void;
}) {
  const clocks = handle.card?.clocks ?? [];
  const now = useServerNow(1000);
  const running = clocks.filter((clock) => clock.result === null);
  const [early, setEarly] = useState<(CardClock & { readonly wanted: string }) | null>(null);
  const end = (clock: CardClock, result: string, earlyWhy?: string) => {
    handle.add('clock-ended', {
      clockId: clock.clockId,
      result,
      note: '',
      ...(earlyWhy === undefined ? {} : { earlyWhy }),
    });
    if (clock.stepId && clockKind(clock.clock).results[result]?.[1]) handle.add('step-done', { stepId: clock.stepId });
  };
  return (
    <Section title="Clocks" count={running.length} place="clocks">
      {running.map((clock) => {
        const left = Date.parse(clock.endsAt) - now;
        const kind = clockKind(clock.clock);
        return (
          <View key={clock.clockId} className="gap-2 border-b border-line py-2">
            <View className="flex-row items-baseline gap-3">
              <Words face="figures" size={32} tone={left <= 0 ? 'held' : 'ink'} role="timer">
                {sayLeft(left)}
              </Words>
              <Words face="strong" className="flex-1">
                {kind.name}
              </Words>
            </View>
            <Words size={15} tone="ink-soft">
              {left <= 0 ? 'Time is up. What was the result?' : kind.note}
            </Words>
            {works ? (
              <View
                className="flex-row flex-wrap gap-2"
                role="group"
                aria-label={`Result of ${kind.name.toLowerCase()}`}
              >
                {Object.entries(kind.results).map(([id, [words]]) => (
                  <Button
                    key={id}
                    className="grow"
                    kind={left <= 0 ? 'main' : 'plain'}
                    label={words}
                    onPress={() => {
                      const isGood = kind.results[id]?.[1] === true;
                      if (isGood && left > 0) setEarly({ ...clock, wanted: id });
                      else end(clock, id);
                    }}
                  />
                ))}
                {left > 0 ? (
                  <Button
                    kind="quiet"
                    label="Stop the clock"
                    onPress={() => handle.add('clock-ended', { clockId: clock.clockId, result: 'stopped', note: '' })}
                  />
                ) : null}
              </View>
            ) : null}
          </View>
        );
      })}
      {clocks
        .filter((clock) => clock.result !== null)
        .map((clock) => (
          <Words
            key={clock.clockId}
            size={15}
          >{`${clockKind(clock.clock).name}: ${(clockKind(clock.clock).results[clock.result ?? '']?.[0] ?? 'stopped').toLowerCase()}`}</Words>
        ))}
      {works ? (
        <Button className="self-start" label="Start a clock" onPress={() => onAsked({ clock: null, stepId: null })} />
      ) : null}
      {early ? (
        <EarlySheet
          clock={early}
          onEnd={(why) => {
            end(early, early.wanted, why);
            setEarly(null);
          }}
          onClose={() => setEarly(null)}
        />
      ) : null}
      {asked ? (
        <StartSheet
          asked={asked}
          onStart={(clock, minutes) => {
            handle.add('clock-started', { clockId: newId(), clock, minutes, stepId: asked.stepId });
            onAsked(null);
          }}
          onClose={() => onAsked(null)}
        />
      ) : null}
    </Section>
  );
}

/** A good result before the time is over counts only with a technician's reason. */
function EarlySheet({
  clock,
  onEnd,
  onClose,
}: {
  readonly clock: CardClock;
  readonly onEnd: (why: string) => void;
  readonly onClose: () => void;
}) {
  const [why, setWhy] = useState('');
  const signs = useSigns();
  return (
    <Sheet title={clockKind(clock.clock).name} open onClose={onClose}>
      <Words>{`It runs until ${sayTime(clock.endsAt)}. A good result counts when it is over.`}</Words>
      {signs ? (
        <>
          <Field label="Ended before its time: why" value={why} onChangeText={setWhy} multiline />
          <Button
            kind="main"
            label="End it now"
            offBecause={why.trim().length < 3 ? 'The reason is kept with the result.' : null}
            onPress={() => onEnd(why.trim())}
          />
        </>
      ) : (
        <Words>A technician may end it early, with a reason.</Words>
      )}
    </Sheet>
  );
}

function StartSheet({
  asked,
  onStart,
  onClose,
}: {
  readonly asked: { readonly clock: ClockId | null };
  readonly onStart: (clock: ClockId, minutes: number) => void;
  readonly onClose: () => void;
}) {
  const [clock, setClock] = useState<ClockId>(asked.clock ?? 'drip-test');
  const [text, setText] = useState(String(CLOCKS[clock].minutes));
  const minutes = Number(text);
  const right = Number.isInteger(minutes) && minutes >= 1 && minutes <= 20_160;
  return (
    <Sheet title="Start a clock" open onClose={onClose}>
      <View className="flex-row flex-wrap gap-2">
        {CLOCK_IDS.map((id) => (
          <Choice
            key={id}
            className="grow"
            label={CLOCKS[id].name}
            on={clock === id}
            onPress={() => {
              setClock(id);
              setText(String(CLOCKS[id].minutes));
            }}
          />
        ))}
      </View>
      <Words size={15}>{CLOCKS[clock].note}</Words>
      <Whence
        short={`Usual: ${sayMinutes(CLOCKS[clock].minutes)} (${shortSource(CLOCKS[clock].source)})`}
        words={`${sayMinutes(CLOCKS[clock].minutes)}: ${saySource(CLOCKS[clock].source)}.`}
      />
      <Field
        label="Minutes"
        value={text}
        onChangeText={setText}
        inputMode="numeric"
        wrong={right ? undefined : 'Whole minutes, up to two weeks.'}
      />
      <Button
        kind="main"
        tall
        label={right ? `Start: ${sayMinutes(minutes)}` : 'Start'}
        disabled={!right}
        onPress={() => onStart(clock, minutes)}
      />
    </Sheet>
  );
}
