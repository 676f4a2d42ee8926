import { readFigure } from '@hudrik/core/figures';
import { saySource } from '@hudrik/core/catalogue';
import { isImpossible, likelyRoll, UNUSUAL_BELOW } from '@hudrik/core/hours';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { Button, Choice, Field, Keypad, press, useKeys, Whence, Words } from '@/design';
import { useServerNow } from '@/features/clocks';
import { sayAgo, sayFigure, sayHours } from '@/writing';

import type { LeafProps } from './leaf';
import { assessDraftHours, leafIsDone, type Draft } from './draft';
import { sayHoursOpen } from './sayOpen';
import { LeafFrame } from './LeafFrame';
import { saySlip, sayFinding } from './sayReading';

const FIGURES = ['0', '1', '2', '3', '4', '5', '6', '7', '8', '9', '.', ','];

/** The hour meter: last reading above, the difference as it is typed, and what is odd about it. */
export function HoursLeaf({ draft, change, next }: LeafProps) {
  const now = new Date(useServerNow());
  const done = leafIsDone(draft, { kind: 'hours', name: '' }, now);
  const assessed = assessDraftHours(draft, now);
  const type = (typed: string) => change({ typed, confirmed: false });
  const settled = useSettled(draft.typed);
  useTyping(change, done, next);
  return (
    <LeafFrame action={<Button kind="main" tall label="Next" offBecause={sayHoursOpen(draft, now)} onPress={next} />}>
      <View className="flex-row flex-wrap items-end justify-between gap-x-4">
        <View>
          <Words size={15} tone="ink-soft">
            Last reading
          </Words>
          <Words face="figures" size={32}>
            {draft.opening.lastReading.toFixed(1)}
          </Words>
          <FromAfar draft={draft} />
        </View>
        <View className="grow items-end" aria-live="polite">
          <Words size={15} tone="ink-soft">
            Meter shows now
          </Words>
          <Words face="figures" size={56} role="heading" aria-level={1}>
            {draft.typed || '–'}
          </Words>
        </View>
      </View>
      <Words
        aria-live="polite"
        tone={settled && assessed && assessed.findings.length > 0 ? 'held' : 'ink'}
        face="strong"
        className="text-right"
      >
        {assessed ? `${assessed.hoursRun >= 0 ? '+' : '−'}${sayHours(Math.abs(assessed.hoursRun))} since then` : ' '}
      </Words>
      <Keypad value={draft.typed} onChange={type} />
      {settled && assessed && assessed.findings.length > 0 && !draft.confirmed ? (
        <Odd draft={draft} change={change} />
      ) : null}
      <MeterEvent draft={draft} change={change} />
    </LeafFrame>
  );
}

/** What the machine told since it was read last: something to hold the typed figures against. */
function FromAfar({ draft: { opening } }: { readonly draft: Draft }) {
  const told = opening.fromAfar;
  if (told?.reading == null || told.readAt === null || told.readAt <= opening.lastReadAt) return null;
  return <Words size={15}>{`It told ${sayFigure(told.reading)} itself, ${sayAgo(told.readAt)}`}</Words>;
}

const PAUSE_MS = 700;

/** True once nothing was typed for a moment: half a number is not called wrong. */
function useSettled(typed: string): boolean {
  const [settled, setSettled] = useState<string | null>(typed);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(typed), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [typed]);
  return settled === typed;
}

/** Figures typed on a keyboard do the same as the keypad. */
function useTyping(change: LeafProps['change'], done: boolean, next: () => void): void {
  const bindings = useMemo(
    () => [
      ...FIGURES.map((key) => ({
        keys: key,
        does: 'Figure',
        run: () => change((draft) => ({ typed: press(draft.typed, key), confirmed: false })),
      })),
      {
        keys: 'Backspace',
        does: 'Delete',
        run: () => change((draft) => ({ typed: press(draft.typed, '⌫'), confirmed: false })),
      },
      { keys: 'Enter', does: 'Next', run: () => done && next() },
    ],
    [change, done, next],
  );
  useKeys(bindings);
}

function Odd({ draft, change }: Omit<LeafProps, 'next'>) {
  const assessed = assessDraftHours(draft, new Date(useServerNow()));
  const finding = assessed?.findings[0];
  if (!assessed || !finding) return null;
  return (
    <View className="gap-3 border-l-[6px] border-held bg-paper p-4" role="alert">
      <Words face="strong">{sayFinding(finding)}</Words>
      {'oneIn' in finding ? (
        <Whence
          short="By this unit’s own hires"
          words={`By this unit’s own hires, shrunk to its class. Asked when rarer than 1 in ${Math.round(1 / UNUSUAL_BELOW.value)}: ${saySource(UNUSUAL_BELOW.source)}.`}
        />
      ) : null}
      {assessed.suggestions.map((suggestion) => (
        <Button
          key={suggestion.reading}
          label={`${suggestion.reading}`}
          detail={`Was it this? ${saySlip(suggestion.slip)}`}
          onPress={() => change({ typed: String(suggestion.reading), confirmed: false })}
        />
      ))}
      {isImpossible(finding) ? null : (
        <Button kind="stop" label="I read it again: it is right" onPress={() => change({ confirmed: true })} />
      )}
    </View>
  );
}

function MeterEvent({ draft, change }: { readonly draft: Draft; readonly change: LeafProps['change'] }) {
  const event = draft.meterEvent;
  const replaced = { kind: 'replaced', oldReading: null, newMeterShows: 0 } as const;
  return (
    <View className="gap-3">
      <View className="flex-row gap-2">
        <Choice
          className="flex-1"
          label="Meter was replaced"
          on={event?.kind === 'replaced'}
          onPress={() => change({ meterEvent: event?.kind === 'replaced' ? null : replaced, confirmed: false })}
        />
        <Choice
          className="flex-1"
          label="Meter rolled over"
          on={event?.kind === 'rolled-over'}
          onPress={() =>
            change({
              meterEvent:
                event?.kind === 'rolled-over'
                  ? null
                  : {
                      kind: 'rolled-over',
                      oldReading: null,
                      newMeterShows: 0,
                      rollsAt: likelyRoll(draft.opening.lastReading),
                    },
              confirmed: false,
            })
          }
        />
      </View>
      {event?.kind === 'replaced' ? (
        <>
          <Field
            label="Old meter’s last reading, if known"
            inputMode="decimal"
            defaultValue={event.oldReading === null ? '' : String(event.oldReading)}
            onChangeText={(text) =>
              change({
                meterEvent: { ...event, oldReading: readFigure(text) },
              })
            }
          />
          <Field
            label="New meter showed when fitted"
            inputMode="decimal"
            defaultValue={String(event.newMeterShows)}
            onChangeText={(text) => change({ meterEvent: { ...event, newMeterShows: readFigure(text) ?? 0 } })}
          />
        </>
      ) : null}
    </View>
  );
}
