import { classOf, faultOf } from '@hudrik/core/catalogue';
import { PRIOR_WORTH } from '@hudrik/core/diagnosis';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useChange, useRead, usePerson } from '@/api';
import { Button, Card, Empty, Failure, Loading, Page, Sheet, Words } from '@/design';
import { sayDay } from '@/writing';
import { sayFault } from './say';

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
  const cases = lessons.reduce((sum, lesson) => sum + lesson.cases, 0);
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {cases === 1 ? 'One proven cause has' : `${cases} proven causes have`} taught the odds
        {since ? ` since ${sayDay(since)}` : ''}.
      </Words>
      <Words size={15}>
        Only causes confirmed on a job that was proven count. The built-in odds are worth {PRIOR_WORTH} cases of each
        class and engine family.
      </Words>
      {lessons.length === 0 ? <Empty sentence="Nothing yet: the built-in odds apply." /> : null}
      {lessons.map((lesson) => (
        <Card key={`${lesson.classId} ${lesson.family}`} className="gap-2">
          <Words face="strong">
            {lesson.classId ? classOf(lesson.classId).plural : 'Engines alone'}, {lesson.family.replaceAll('-', ', ')}:{' '}
            {lesson.cases}
          </Words>
          {Object.entries(lesson.counts)
            .sort((x, y) => y[1] - x[1])
            .map(([id, count]) => (
              <View key={id} className="flex-row justify-between gap-3">
                <Words size={15} className="min-w-0 flex-1">
                  {sayFault(id)}
                </Words>
                <Words size={15} face="figures">
                  {count} · odds {oddsShift(id, count, lesson.cases)}
                </Words>
              </View>
            ))}
        </Card>
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

/** By what factor the yard's cases moved a fault's built-in odds. */
function oddsShift(id: string, count: number, cases: number): string {
  const builtIn = (faultOf(id)?.perThousand ?? 1) / 1000;
  return `× ${((builtIn * PRIOR_WORTH + count) / (PRIOR_WORTH + cases) / builtIn).toFixed(1)}`;
}
