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
import { clockEnd, type CardClock } from '@hudrik/core/card';
import { newId, useSigns } from '@/api';
import { Button, Choice, Field, Section, Sheet, Whence, Words } from '@/design';
import { sayLeft, useServerNow } from '@/features/clocks';
import { sayMinutes } from '@/writing';
import type { CardHandle } from './useCard';

/** A clock's kind; of one that a later edition no longer has, its id. */
const clockKind = (id: string): ClockKind =>
  entryOf<ClockKind>(CLOCKS, id) ?? { name: id, minutes: 0, note: '', results: {}, source: { kind: 'judgement' } };

/** Of clocks that were started in this page: when, by a count that no change of the device's clock moves. */
const started = new Map<string, number>();
const startHere = (clockId: string): void => void started.set(clockId, performance.now());
function ranHere(clockId: string): number | null {
  const since = started.get(clockId);
  return since === undefined ? null : Math.round(performance.now() - since);
}

/** When a good result counts: by this page's own count, or so long after its start arrived. */
const overAt = ({ clockId, endsAt, arrivedAt, minutes }: CardClock): string =>
  started.has(clockId) ? endsAt : clockEnd(arrivedAt, minutes);

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
  const end = (clock: CardClock, result: string) => {
    const ranMs = ranHere(clock.clockId);
    handle.add('clock-ended', { clockId: clock.clockId, result, note: '', ...(ranMs === null ? {} : { ranMs }) });
    if (clock.stepId && clockKind(clock.clock).results[result]?.[1]) handle.add('step-done', { stepId: clock.stepId });
  };
  return (
    <Section title="Clocks" count={running.length} place="clocks">
      {running.map((clock) => {
        const left = Date.parse(overAt(clock)) - now;
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
                {Object.entries(kind.results).map(([id, [words, isGood]]) => (
                  <Button
                    key={id}
                    className="grow"
                    label={words}
                    offBecause={isGood && left > 0 ? 'When the time is over.' : null}
                    onPress={() => end(clock, id)}
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
          >{`${clockKind(clock.clock).name}: ${(clockKind(clock.clock).results[clock.result ?? '']?.[0] ?? 'stopped').toLowerCase()}${clock.shortWhy === null ? '' : `, shorter than usual: ${clock.shortWhy}`}`}</Words>
        ))}
      {works ? (
        <Button className="self-start" label="Start a clock" onPress={() => onAsked({ clock: null, stepId: null })} />
      ) : null}
      {asked ? (
        <StartSheet
          asked={asked}
          onStart={(clock, minutes, shortWhy) => {
            const clockId = newId();
            startHere(clockId);
            const short = shortWhy === null ? {} : { shortWhy };
            handle.add('clock-started', { clockId, clock, minutes, stepId: asked.stepId, ...short });
            onAsked(null);
          }}
          onClose={() => onAsked(null)}
        />
      ) : null}
    </Section>
  );
}

function StartSheet({
  asked,
  onStart,
  onClose,
}: {
  readonly asked: { readonly clock: ClockId | null };
  readonly onStart: (clock: ClockId, minutes: number, shortWhy: string | null) => void;
  readonly onClose: () => void;
}) {
  const [clock, setClock] = useState<ClockId>(asked.clock ?? 'drip-test');
  const [text, setText] = useState(String(CLOCKS[clock].minutes));
  const minutes = Number(text);
  const right = Number.isInteger(minutes) && minutes >= 1 && minutes <= 20_160;
  const usual = CLOCKS[clock].minutes;
  const isShort = right && minutes < usual;
  const signs = useSigns();
  const [why, setWhy] = useState('');
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
      {isShort && signs ? (
        <>
          <Field label="Why shorter than usual" value={why} onChangeText={setWhy} multiline />
          <Words size={15}>Its result is marked as short: it ends nothing that can hurt somebody.</Words>
        </>
      ) : null}
      <Button
        kind="main"
        tall
        label={right ? `Start: ${sayMinutes(minutes)}` : 'Start'}
        disabled={!right}
        offBecause={
          !isShort
            ? null
            : !signs
              ? `It runs ${sayMinutes(usual)} or longer. A technician may set it shorter.`
              : why.trim().length < 3
                ? 'Shorter than usual wants a reason.'
                : null
        }
        onPress={() => onStart(clock, minutes, isShort ? why.trim() : null)}
      />
    </Sheet>
  );
}
