import { classOf, FAULT_KNOWLEDGE } from '@hudrik/core/catalogue';
import { PRIOR_WORTH, taughtOdds, type Lesson } from '@hudrik/core/diagnosis';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, usePerson, useRead } from '@/api';
import { Button, Card, Empty, Failure, Loading, Page, Sheet, Words } from '@/design';
import { sayDay, sayFigure, sayValue } from '@/writing';
import { sayFault, sayPercent } from './say';
import { useChange } from '@/outbox';

/** What proven causes have taught this yard, by class and engine family; a lead can go back to the built-in odds. */
export function LearnedScreen() {
  const learned = useRead('learned');
  const forget = useChange('forgetLearned');
  const { role } = usePerson();
  const [asking, setAsking] = useState(false);
  if (!learned.data)
    return learned.isError ? (
      <Failure sentence={sentenceOf(learned.error)} retry={() => void learned.refetch()} />
    ) : (
      <Loading what="what the yard has learned" />
    );
  const { lessons, since } = learned.data;
  const cases = Math.ceil(lessons.reduce((sum, lesson) => sum + lesson.cases, 0));
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {cases === 1 ? 'One proven cause has' : `${cases} proven causes have`} taught the odds
        {since ? ` since ${sayDay(since)}` : ''}.
      </Words>
      <Words size={15}>
        Only causes confirmed on a job that was proven count. The built-in odds are worth {PRIOR_WORTH.value} cases of
        each class and engine family. A cause counts to what brought it about, where that was confirmed too; what came
        back soon counts half.
      </Words>
      {lessons.length === 0 ? <Empty sentence="Nothing yet: the built-in odds apply." /> : null}
      {lessons.map((lesson) => (
        <LessonCard key={`${lesson.classId} ${lesson.family}`} lesson={lesson} />
      ))}
      {role === 'lead' && lessons.length > 0 ? (
        <Button kind="stop" label="Go back to the built-in odds" onPress={() => setAsking(true)} />
      ) : null}
      {asking ? (
        <Sheet title="Go back to the built-in odds" open onClose={() => setAsking(false)}>
          {forget.isError ? <Failure sentence={sentenceOf(forget.error)} /> : null}
          <Words>What was proven stays in the history. It no longer counts for the odds.</Words>
          <Button
            kind="stop"
            label="Forget what was learned"
            onPress={() =>
              void forget.mutateAsync({}).then(
                () => setAsking(false),
                () => undefined,
              )
            }
          />
        </Sheet>
      ) : null}
    </Page>
  );
}

/** What one class and engine family taught: odds as built in and as they are now, side by side, with the number of cases. */
function LessonCard({ lesson }: { readonly lesson: Lesson }) {
  const { faults, links } = useMemo(() => taughtOdds(FAULT_KNOWLEDGE, lesson), [lesson]);
  const where = lesson.classId ? classOf(lesson.classId).plural : 'Engines alone';
  return (
    <Card className="gap-3">
      <Words face="strong">
        {where}, {lesson.family.replaceAll('-', ', ')}: {sayValue(lesson.cases)}
      </Words>
      <Row heading name="Of a thousand" cells={['Built in', 'Now', 'Cases']} />
      {faults.map(({ fault, cases, cameBack, before, after }) => (
        <Row
          key={fault}
          name={sayFault(fault)}
          note={cameBack > 0 ? `${sayValue(cameBack)} came back` : null}
          cells={[sayThousand(before), sayThousand(after), sayValue(cases)]}
        />
      ))}
      {links.length > 0 ? <Row heading name="Brings about" cells={['Built in', 'Now', 'Looked at']} /> : null}
      {links.map(({ fault, child, looked, found, before, after }) => (
        <Row
          key={`${fault} ${child}`}
          name={`${sayFault(fault)}: ${sayFault(child).toLowerCase()}`}
          cells={[sayPercent(before), sayPercent(after), `${sayValue(found)} of ${sayValue(looked)}`]}
        />
      ))}
    </Card>
  );
}

const sayThousand = (p: number): string => sayFigure(p * 1000);

interface RowProps {
  readonly name: string;
  readonly note?: string | null;
  readonly cells: readonly string[];
  readonly heading?: boolean;
}

function Row({ name, note = null, cells, heading = false }: RowProps) {
  return (
    <View
      role="group"
      aria-label={name}
      className={`flex-row items-baseline gap-2 ${heading ? 'border-b-2 border-ink pb-1' : 'border-b border-line pb-1'}`}
    >
      <View className="min-w-0 flex-1">
        <Words size={15} face={heading ? 'strong' : 'text'}>
          {name}
        </Words>
        {note ? (
          <Words size={13} tone="ink-soft">
            {note}
          </Words>
        ) : null}
      </View>
      {cells.map((cell, at) => (
        <Words key={`${at} ${cell}`} size={15} face={heading ? 'strong' : 'figures'} className="w-[72px] text-right">
          {cell}
        </Words>
      ))}
    </View>
  );
}
