import type { Check } from '@hudrik/core/catalogue';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Button, Choice, Words } from '@/design';
import { CheckRow } from './CheckRow';
import { CheckSheet } from './CheckSheet';
import type { LeafProps } from './leaf';
import { notStarting, stationOf, type DraftAnswer } from './draft';
import { LeafFrame } from './LeafFrame';

/** One station of the walk-round: each safety check wants its own answer, one tap says the rest is good. */
export function StationLeaf({ draft, change, next, stationId }: LeafProps & { readonly stationId: string }) {
  const station = stationOf(draft, stationId);
  const [opened, setOpened] = useState<Check | null>(null);
  useSeconds(stationId, change);
  const answer = (given: DraftAnswer) => change((before) => ({ answers: { ...before.answers, [given.check]: given } }));
  const open = station.checks.filter((check) => draft.answers[check.id] === undefined);
  const firstMeasured = station.checks.find((check) => check.measured !== undefined)?.id;
  const openSafety = open.filter((check) => check.kind === 'safety');
  const unmeasured = open.filter((check) => check.measured !== undefined);
  const allGood = () => {
    change((before) => ({
      answers: {
        ...Object.fromEntries(
          open
            .filter((check) => check.measured === undefined)
            .map((check): [string, DraftAnswer] => [check.id, { check: check.id, result: 'ok', photos: [] }]),
        ),
        ...before.answers,
      },
    }));
    next();
  };
  const label = sayAction(
    open.length,
    station.checks.some((check) => draft.answers[check.id]?.result === 'not-ok'),
  );
  return (
    <LeafFrame
      action={
        <Button kind="main" tall label={label} offBecause={sayOpen(openSafety.length, unmeasured)} onPress={allGood} />
      }
    >
      <View>
        <Words role="heading" aria-level={1} face="strong" size={22}>
          {station.name}
        </Words>
        <Words tone="ink-soft">{station.where}</Words>
      </View>
      {station.checks.some((check) => check.running) ? (
        <Choice
          label="It does not start"
          tone="held"
          on={draft.willNotStart === true}
          onPress={() => change((before) => notStarting(before, before.willNotStart !== true))}
        />
      ) : null}
      {[...station.checks]
        .sort((a, b) => Number(b.kind === 'safety') - Number(a.kind === 'safety'))
        .map((check) => (
          <CheckRow
            key={check.id}
            check={check}
            answer={draft.answers[check.id]}
            onOk={() => answer({ check: check.id, result: 'ok', photos: [] })}
            onOpen={() => setOpened(check)}
            onAnswer={answer}
            isFirstMeasured={check.id === firstMeasured}
          />
        ))}
      {opened ? (
        <CheckSheet
          check={opened}
          answer={draft.answers[opened.id]}
          onAnswer={answer}
          onClose={() => setOpened(null)}
        />
      ) : null}
    </LeafFrame>
  );
}

/** Keeps the seconds spent at the station; leaving and coming back adds up. */
function useSeconds(stationId: string, change: LeafProps['change']): void {
  useEffect(() => {
    const began = Date.now();
    return () => {
      const spent = (Date.now() - began) / 1000;
      change((before) => ({ seconds: { ...before.seconds, [stationId]: (before.seconds[stationId] ?? 0) + spent } }));
    };
  }, [stationId, change]);
}

/** Why it does not go on yet. */
function sayOpen(openSafety: number, unmeasured: readonly Check[]): string | null {
  if (openSafety === 1) return 'One safety check needs its own answer.';
  if (openSafety > 1) return `${openSafety} safety checks need their own answer.`;
  const [check] = unmeasured;
  return check === undefined
    ? null
    : `Enter the figure: ${check.words.toLowerCase()}. Or say that you could not measure.`;
}

function sayAction(open: number, someNotOk: boolean): string {
  if (open === 0) return 'Next';
  return someNotOk ? 'The rest is good' : 'All good here';
}
