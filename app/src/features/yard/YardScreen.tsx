import { CLASSES, classOf } from '@hudrik/core/catalogue';
import type { UnitLine } from '@hudrik/core/contracts';
import { router, useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useRead } from '@/api';
import {
  Button,
  Choice,
  Empty,
  Failure,
  Field,
  Loading,
  READINESS_WORD,
  Section,
  useIsWide,
  useKeys,
  Words,
  type ReadinessName,
} from '@/design';
import { UnitTagOnWall, UnitTagRow } from '@/features/fleet';

const SHOWN: readonly ReadinessName[] = ['fit', 'prep', 'held', 'out', 'laid-up', 'gone'];

/** All units: a list by class on the phone, a wall of hooks on the wide screen. */
export function YardScreen() {
  const wide = useIsWide();
  const params = useLocalSearchParams<{ find?: string; class?: string; readiness?: string }>();
  const [find, setFind] = useState('');
  const query = { class: params.class, readiness: params.readiness, find: find.trim() || undefined, limit: 200 };
  const units = useRead('units', { query });
  const list = useMemo(() => units.data?.units ?? [], [units.data]);
  const focused = useListKeys(list, setFind);
  const set = (name: 'class' | 'readiness', value: string | undefined) => router.setParams({ [name]: value });
  return (
    <ScrollView className="flex-1" contentContainerClassName="gap-4 p-4 pb-10" keyboardShouldPersistTaps="handled">
      <Words role="heading" aria-level={1} size={22} face="strong">
        {sayYard(units.data?.counts)}
      </Words>
      <View className={wide ? 'flex-row items-end gap-4' : 'gap-3'}>
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
          counts={units.data?.counts ?? {}}
          onClass={(value) => set('class', value)}
          onReadiness={(value) => set('readiness', value)}
        />
      </View>
      {units.isError && !units.data ? (
        <Failure sentence="The yard can not be fetched just now." retry={() => void units.refetch()} />
      ) : null}
      {units.isPending ? <Loading what="the yard" /> : null}
      {units.data && list.length === 0 ? (
        <Empty sentence={find ? `No unit on this yard answers to “${find}”.` : 'No unit is like that.'}>
          <Button
            label="Show all"
            onPress={() => {
              setFind('');
              router.setParams({ class: undefined, readiness: undefined });
            }}
          />
        </Empty>
      ) : null}
      {byClass(list).map(([classId, members]) => (
        <Section key={classId} title={classOf(classId).plural} count={members.length}>
          {wide ? (
            <View className="flex-row flex-wrap gap-3">
              {byNextHire(members).map((unit) => (
                <UnitTagOnWall key={unit.tag} unit={unit} focused={unit.tag === focused} />
              ))}
            </View>
          ) : (
            members.map((unit) => <UnitTagRow key={unit.tag} unit={unit} focused={unit.tag === focused} />)
          )}
        </Section>
      ))}
    </ScrollView>
  );
}

/** The yard in one sentence. */
function sayYard(counts: Readonly<Record<string, number>> | undefined): string {
  if (!counts) return 'The yard';
  const standing = ['fit', 'prep', 'held'].reduce((sum, name) => sum + (counts[name] ?? 0), 0);
  return `${counts['fit'] ?? 0} of ${standing} on the yard are fit; ${counts['out'] ?? 0} are out.`;
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

function byClass(units: readonly UnitLine[]): [string, UnitLine[]][] {
  const groups = new Map<string, UnitLine[]>();
  for (const unit of units) groups.set(unit.classId, [...(groups.get(unit.classId) ?? []), unit]);
  return [...groups];
}

/** Tags hang in the order in which they are needed; those without a hire after them. */
const byNextHire = (units: readonly UnitLine[]): UnitLine[] =>
  [...units].sort(
    (a, b) => (a.nextHire?.fromAt ?? '9').localeCompare(b.nextHire?.fromAt ?? '9') || a.tag.localeCompare(b.tag),
  );

/** j and k move, Enter opens, figures go to the finder. */
function useListKeys(units: readonly UnitLine[], setFind: (find: string) => void): string | null {
  const [at, setAt] = useState(-1);
  const bindings = useMemo(
    () => [
      { keys: 'j', does: 'Next', run: () => setAt((n) => Math.min(n + 1, units.length - 1)) },
      { keys: 'k', does: 'Previous', run: () => setAt((n) => Math.max(n - 1, 0)) },
      { keys: 'Enter', does: 'Open', run: () => units[at] && router.navigate(`/u/${units[at].tag}`) },
      ...'0123456789'.split('').map((figure) => ({
        keys: figure,
        does: 'Find',
        run: () => {
          setFind(figure);
          document.querySelector<HTMLInputElement>('input')?.focus();
        },
      })),
    ],
    [units, at, setFind],
  );
  useKeys(bindings);
  return units[at]?.tag ?? null;
}
