import { CLASSES } from '@hudrik/core/catalogue';
import type { UnitLine } from '@hudrik/core/contracts';
import { byNeed } from '@hudrik/core/readiness';
import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { useRead } from '@/api';
import { Button, Choice, Empty, Failure, Keypad, Page, Section, useIsWide, useKeys, Words } from '@/design';
import { sayReason, Silhouette } from '@/features/fleet';

/** Find the unit by its tag: figures on the keypad, letters by class. Those that are back or out come first. */
export function FindTagScreen() {
  const [letters, setLetters] = useState('');
  const [figures, setFigures] = useState('');
  const units = useRead('units', { query: { limit: 200 } });
  const wide = useIsWide();
  useFigureKeys(setFigures);
  const hits = useMemo(() => {
    const nothingTyped = letters === '' && figures === '';
    const all = (units.data?.units ?? []).filter(
      (unit) =>
        (!nothingTyped || unit.verdict.notLookedAtSince !== undefined || unit.verdict.readiness === 'out') &&
        unit.tag.startsWith(letters) &&
        unit.tag
          .slice(3)
          .replace(/^0+(?=\d)/, '')
          .startsWith(figures.replace(/^0+(?=\d)/, '')),
    );
    const rank = (unit: (typeof all)[number]) =>
      unit.verdict.notLookedAtSince ? 0 : unit.verdict.readiness === 'out' ? 1 : 2;
    return [...all].sort(
      (a, b) =>
        exact(b.tag, figures) - exact(a.tag, figures) ||
        rank(a) - rank(b) ||
        byNeed(neededOf(a), neededOf(b)) ||
        a.tag.localeCompare(b.tag),
    );
  }, [units.data, letters, figures]);
  const finder = (
    <View className="gap-3">
      <View className="flex-row flex-wrap gap-2">
        {CLASSES.map((entry) => (
          <Choice
            key={entry.id}
            className="min-w-[30%] grow"
            label={entry.letters}
            aria-label={entry.name}
            on={letters === entry.letters}
            onPress={() => setLetters(letters === entry.letters ? '' : entry.letters)}
          />
        ))}
      </View>
      <Words face="stencil" size={56} className="min-h-[58px] text-center" aria-live="polite">
        {letters || '··'}-{figures || '··'}
      </Words>
      <Keypad value={figures} onChange={setFigures} decimals={0} longest={4} />
    </View>
  );
  const list = (
    <Section title={figures || letters ? 'That could be' : 'Back or out'} count={hits.length}>
      {units.isError && !units.data ? (
        <Failure sentence="The tags cannot be fetched just now." retry={() => void units.refetch()} />
      ) : null}
      {units.data && hits.length === 0 ? (
        <Empty
          sentence={
            figures || letters
              ? `No unit on this yard has the tag ${letters || '··'}-${figures || '··'}.`
              : 'Nothing is out or back. Type the tag of any unit to check it in.'
          }
        />
      ) : null}
      {hits.slice(0, 12).map((unit) => (
        <Pressable
          key={unit.tag}
          role="link"
          aria-label={`Check in ${unit.tag}`}
          onPress={() => router.navigate(`/u/${unit.tag}/check-in`)}
          className="min-h-[56px] flex-row items-center gap-3 border border-card-edge bg-card px-3 py-1"
        >
          <Silhouette classId={unit.classId} size={32} />
          <Words face="stencil" size={22} className="w-[88px]">
            {unit.tag}
          </Words>
          <Words size={15} className="min-w-0 flex-1" numberOfLines={1}>
            {unit.verdict.notLookedAtSince
              ? 'Back, not looked at'
              : unit.verdict.readiness === 'out'
                ? 'Out'
                : sayReason(unit)}
          </Words>
        </Pressable>
      ))}
    </Section>
  );
  return (
    <Page wide={wide}>
      <View className="flex-row items-center gap-3">
        <Words role="heading" aria-level={1} size={22} face="strong" className="flex-1">
          Which unit is back?
        </Words>
        <Button label="A pile of them" onPress={() => router.navigate('/returns')} />
      </View>
      <View className={wide ? 'flex-row items-start gap-8' : 'gap-4'}>
        <View className={wide ? 'w-[380px]' : ''}>{finder}</View>
        <View className={wide ? 'min-w-0 flex-1' : ''}>{list}</View>
      </View>
    </Page>
  );
}

const neededOf = (unit: UnitLine): string | null => unit.nextHire?.fromAt ?? null;

const exact = (tag: string, figures: string): number =>
  figures !== '' && Number(tag.slice(3)) === Number(figures) ? 1 : 0;

function useFigureKeys(setFigures: (change: (before: string) => string) => void): void {
  const bindings = useMemo(
    () => [
      ...'0123456789'.split('').map((figure) => ({
        keys: figure,
        does: 'Figure',
        run: () => setFigures((before) => (before.length < 4 ? before + figure : before)),
      })),
      { keys: 'Backspace', does: 'Delete', run: () => setFigures((before) => before.slice(0, -1)) },
    ],
    [setFigures],
  );
  useKeys(bindings);
}
