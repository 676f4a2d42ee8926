import type { BenchReply } from '@hudrik/core/contracts';
import { router, type Href } from 'expo-router';
import { Pressable, View } from 'react-native';
import { usePerson } from '@/api';
import { Empty, ReadinessMark, Section, Words } from '@/design';
import { Silhouette } from '@/features/fleet';
import { sayMinutes } from '@/writing';
import { handsOf, nameOf, plannedOf, sayClock, sayWhy, type BenchVisit } from './sayBench';

const NEXT = 3;

/** On the phone: my next three with why, what waits by itself, and after that everything in its order. */
export function NextOnPhone({ bench, onChoose }: Props) {
  const me = String(usePerson().id);
  const isMine = bench.people.some(({ id }) => id === me);
  const ordered = bench.visits
    .filter(({ id }) => plannedOf(bench, id) !== undefined)
    .sort((a, b) => fromOf(bench, a) - fromOf(bench, b));
  const own = ordered.filter(({ id }) => plannedOf(bench, id)?.who === me);
  const next = (isMine ? own : ordered).slice(0, NEXT);
  const waits = waitsOf(bench);
  const rest = ordered.filter((visit) => !next.includes(visit));
  return (
    <>
      <Section title={isMine ? 'My next' : 'Next'} count={next.length}>
        {next.length === 0 ? <Empty sentence="Nothing is planned for you." /> : null}
        {next.map((visit, at) => (
          <VisitRow key={visit.id} bench={bench} visit={visit} isFirst={at === 0} onChoose={onChoose} />
        ))}
      </Section>
      {waits.length === 0 ? null : (
        <Section title="Waits by itself" count={waits.length}>
          {waits.map(({ visit, what, until }) => (
            <View key={visit.id} className="flex-row items-center gap-3 border border-line bg-paper p-3">
              <Words face="stencil" size={17} className="w-[64px]">
                {visit.tag}
              </Words>
              <Words size={15} className="flex-1">
                {what}
              </Words>
              <Words face="figures" size={17}>{`until ${until}`}</Words>
            </View>
          ))}
        </Section>
      )}
      {rest.length === 0 ? null : (
        <Section title="Then" count={rest.length}>
          {rest.map((visit) => (
            <VisitRow key={visit.id} bench={bench} visit={visit} isFirst={false} onChoose={onChoose} />
          ))}
        </Section>
      )}
    </>
  );
}

interface Props {
  readonly bench: BenchReply;
  readonly onChoose: (id: string) => void;
}

const fromOf = (bench: BenchReply, { id }: BenchVisit): number => plannedOf(bench, id)?.from ?? Infinity;

/** Visits of which nothing can be done now, since a wait runs. */
function waitsOf(bench: BenchReply) {
  return bench.visits.flatMap((visit) => {
    const phase = bench.plan.phases.find(({ visitId }) => visitId === visit.id);
    if (phase === undefined || phase.who !== null || visit.part !== null) return [];
    return [{ visit, what: visit.what[phase.phaseId] ?? '', until: sayClock(bench, phase.to) }];
  });
}

interface RowProps extends Props {
  readonly visit: BenchVisit;
  readonly isFirst: boolean;
}

function VisitRow({ bench, visit, isFirst, onChoose }: RowProps) {
  const planned = plannedOf(bench, visit.id);
  return (
    <View className={`flex-row items-stretch border bg-card ${isFirst ? 'border-2 border-ink' : 'border-card-edge'}`}>
      <Pressable
        role="button"
        aria-label={`${visit.tag}: ${visit.titles.join('; ')}`}
        onPress={() => onChoose(visit.id)}
        className="min-h-[56px] min-w-0 flex-1 gap-1 p-3"
      >
        <View className="flex-row items-center gap-2">
          <Silhouette classId={visit.classId} size={26} />
          <Words face="stencil" size={22}>
            {visit.tag}
          </Words>
          <ReadinessMark of={visit.readiness} size={18} />
          <Words face="figures" size={17} className="ml-auto">
            {sayClock(bench, planned?.from ?? 0)}
          </Words>
        </View>
        <Words face="strong" size={15}>
          {visit.titles.join('; ')}
        </Words>
        <Words size={15}>{sayWhy(bench, visit)}</Words>
        <Words size={15} tone="ink-soft">
          {`${sayMinutes(handsOf(bench, visit.id))}${planned?.who == null ? '' : ` · ${nameOf(bench, planned.who)}`}`}
        </Words>
      </Pressable>
      <Pressable
        role="link"
        aria-label={`Card of ${visit.tag}`}
        onPress={() => router.navigate(`/j/${visit.jobId}` as Href)}
        className={`w-[76px] items-center justify-center border-l border-card-edge ${isFirst ? 'bg-mark' : ''}`}
      >
        <Words face="strong" tone={isFirst ? 'on-mark' : 'ink'}>
          Card
        </Words>
      </Pressable>
    </View>
  );
}
