import { CLASSES, classOf } from '@hudrik/core/catalogue';
import type { UnitLine } from '@hudrik/core/contracts';
import { router, useLocalSearchParams } from 'expo-router';
import { useCallback, useMemo, useRef, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { useReadPages } from '@/api';
import {
  Button,
  Choice,
  Empty,
  Failure,
  Field,
  Heading,
  Loading,
  READINESS_WORD,
  useIsWide,
  useKeys,
  Words,
  type ReadinessName,
} from '@/design';
import { LongList } from '@/design/LongList';
import { SetUpNotice } from '@/features/setup/SetUpNotice';
import { totalOf } from '@/features/setup/useSteps';
import { UnitTagOnWall, UnitTagRow } from '@/features/fleet';
import { keyOfRow, rowsOf } from './rows';

const SHOWN: readonly ReadinessName[] = ['fit', 'prep', 'held', 'out', 'laid-up', 'gone'];

/** How wide the frame's rail, its tray and the page's edges are; a tag with its gap. */
const BESIDE = 120 + 232 + 32;
const TAG = 180;

/** All units: a list by class on the phone, a wall of hooks on the wide screen. */
export function YardScreen() {
  const wide = useIsWide();
  const { width } = useWindowDimensions();
  const params = useLocalSearchParams<{ find?: string; class?: string; readiness?: string }>();
  const [find, setFind] = useState('');
  const query = { class: params.class, readiness: params.readiness, find: find.trim() || undefined, limit: 200 };
  const units = useReadPages('units', { query });
  const list = useMemo(() => units.data?.pages.flatMap((page) => page.units) ?? [], [units.data]);
  const counts = units.data?.pages[0]?.counts;
  const sideBySide = wide ? Math.max(Math.floor((width - BESIDE) / TAG), 1) : 1;
  const rows = useMemo(() => rowsOf(list, sideBySide), [list, sideBySide]);
  const focused = useListKeys(list, setFind);
  const set = (name: 'class' | 'readiness', value: string | undefined) => router.setParams({ [name]: value });
  const { hasNextPage, fetchNextPage } = units;
  const more = useCallback(() => void (hasNextPage && fetchNextPage()), [hasNextPage, fetchNextPage]);
  // Of a class alone there may be none in a yard that has others.
  const isBare = counts !== undefined && params.class === undefined && totalOf(counts) === 0;
  const header = (
    <View className="gap-4 pb-2">
      <Words role="heading" aria-level={1} size={22} face="strong">
        {sayYard(counts)}
      </Words>
      {isBare ? <SetUpNotice /> : null}
      <View className={isBare ? 'hidden' : wide ? 'flex-row items-end gap-4' : 'gap-3'}>
        <Field
          label="Find a tag, serial or model"
          value={find}
          onChangeText={setFind}
          autoFocus={params.find === '1'}
          autoCapitalize="characters"
          className={wide ? 'w-[280px]' : ''}
          onSubmitEditing={() => list[0] && router.navigate(`/u/${list[0].tag}`)}
        />
        <Filters
          wide={wide}
          chosenClass={params.class}
          readiness={params.readiness}
          counts={counts ?? {}}
          onClass={(value) => set('class', value)}
          onReadiness={(value) => set('readiness', value)}
        />
      </View>
      {units.isError && !units.data ? (
        <Failure sentence="The yard cannot be fetched just now." retry={() => void units.refetch()} />
      ) : null}
      {units.isPending ? <Loading what="the yard" /> : null}
      {units.data && list.length === 0 && !isBare ? (
        <Empty sentence={find ? `No unit on this yard matches “${find}”.` : 'No unit matches these filters.'}>
          <Button
            label="Show all"
            onPress={() => {
              setFind('');
              router.setParams({ class: undefined, readiness: undefined });
            }}
          />
        </Empty>
      ) : null}
    </View>
  );
  return (
    <LongList
      items={rows}
      keyOf={keyOfRow}
      label="Units"
      estimate={wide ? 150 : 84}
      header={header}
      contentClassName="p-4 pb-10"
      onEnd={more}
      render={(row) =>
        row.kind === 'class' ? (
          <ClassHeading classId={row.classId} count={row.count} />
        ) : (
          <View className="flex-row flex-wrap gap-3 pb-3">
            {row.units.map((unit) =>
              wide ? (
                <UnitTagOnWall key={unit.tag} unit={unit} focused={unit.tag === focused} />
              ) : (
                <View key={unit.tag} className="w-full">
                  <UnitTagRow unit={unit} focused={unit.tag === focused} />
                </View>
              ),
            )}
          </View>
        )
      }
    />
  );
}

function ClassHeading({ classId, count }: { readonly classId: UnitLine['classId']; readonly count: number }) {
  return (
    <View className="flex-row items-baseline gap-2 border-b-2 border-ink pb-1 pt-4 mb-3">
      <Heading className="flex-1">{classOf(classId).plural}</Heading>
      <Words face="figures" size={17}>
        {count}
      </Words>
    </View>
  );
}

/** The yard in one sentence. */
function sayYard(counts: Readonly<Record<string, number>> | undefined): string {
  if (!counts) return 'The yard';
  if (totalOf(counts) === 0) return 'The yard is empty.';
  const onYard = ['fit', 'prep', 'held'].reduce((sum, name) => sum + (counts[name] ?? 0), 0);
  return `${counts['fit'] ?? 0} of ${onYard} on the yard are fit; ${counts['out'] ?? 0} are out.`;
}

interface FiltersProps {
  readonly wide: boolean;
  readonly chosenClass: string | undefined;
  readonly readiness: string | undefined;
  readonly counts: Readonly<Record<string, number>>;
  readonly onClass: (value: string | undefined) => void;
  readonly onReadiness: (value: string | undefined) => void;
}

function Filters({ wide, chosenClass, readiness, counts, onClass, onReadiness }: FiltersProps) {
  const row = `flex-row gap-2 ${wide ? 'flex-wrap' : ''}`;
  return (
    <View className="min-w-0 flex-1 gap-2">
      <ScrollView
        horizontal={!wide}
        showsHorizontalScrollIndicator={false}
        contentContainerClassName={row}
        className="flex-none"
      >
        {CLASSES.map((entry) => (
          <Choice
            key={entry.id}
            label={entry.plural}
            on={chosenClass === entry.id}
            onPress={() => onClass(chosenClass === entry.id ? undefined : entry.id)}
          />
        ))}
      </ScrollView>
      <ScrollView
        horizontal={!wide}
        showsHorizontalScrollIndicator={false}
        contentContainerClassName={row}
        className="flex-none"
      >
        {SHOWN.map((name) => (
          <Choice
            key={name}
            label={`${READINESS_WORD[name]} ${counts[name] ?? 0}`}
            on={readiness === name}
            onPress={() => onReadiness(readiness === name ? undefined : name)}
          />
        ))}
      </ScrollView>
    </View>
  );
}

/** j and k move, Enter opens, figures go to the finder. */
function useListKeys(units: readonly UnitLine[], setFind: (find: string) => void): string | null {
  const [focused, setFocused] = useState<string | null>(null);
  // Two keys may come before the screen is drawn anew.
  const at = useRef(-1);
  const bindings = useMemo(() => {
    const go = (next: number) => {
      at.current = Math.min(Math.max(next, 0), units.length - 1);
      setFocused(units[at.current]?.tag ?? null);
    };
    const open = () => {
      const unit = units[at.current];
      if (unit) router.navigate(`/u/${unit.tag}`);
    };
    return [
      { keys: 'j', does: 'Next', run: () => go(at.current + 1) },
      { keys: 'k', does: 'Previous', run: () => go(at.current - 1) },
      { keys: 'Enter', does: 'Open', run: open },
      ...'0123456789'.split('').map((figure) => ({
        keys: figure,
        does: 'Find',
        run: () => {
          setFind(figure);
          document.querySelector<HTMLInputElement>('input')?.focus();
        },
      })),
    ];
  }, [units, setFind]);
  useKeys(bindings);
  return focused;
}
