import { classOf, dangersOf, type ClassId } from '@hudrik/core/catalogue';
import type { AtGate } from '@hudrik/core/log';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Card, Choice, Words } from '@/design';
import { Silhouette } from '@/features/fleet';

interface Props {
  readonly tag: string;
  readonly classId: ClassId;
  readonly onSaid: (said: AtGate) => void;
  readonly onClose: () => void;
}

/** Does it run, does it leak, is all of it there: with the third answer it is noted. */
export function AtGateTaps({ tag, classId, onSaid, onClose }: Props) {
  const [said, setSaid] = useState<Partial<AtGate>>({});
  const [dangers, setDangers] = useState<readonly string[]>([]);
  const say = (more: Partial<AtGate>) => {
    const { runs, leaks, complete } = { ...said, ...more };
    if (runs !== undefined && leaks !== undefined && complete !== undefined)
      onSaid({ runs, leaks, complete, ...(dangers.length === 0 ? {} : { dangers: [...dangers] }) });
    else setSaid({ ...said, ...more });
  };
  const toggle = (id: string) =>
    setDangers(dangers.includes(id) ? dangers.filter((one) => one !== id) : [...dangers, id]);
  return (
    <Card className="gap-4">
      <View className="flex-row items-center gap-3">
        <Silhouette classId={classId} size={44} />
        <Words face="stencil" size={32} className="flex-1" role="heading" aria-level={2}>
          {tag}
        </Words>
        <Button kind="quiet" label="Another tag" onPress={onClose} />
      </View>
      <View className="gap-2" role="group" aria-label="Did the hirer tell of danger?">
        <Words size={15}>Only if the hirer tells of it:</Words>
        <View className="flex-row flex-wrap gap-2">
          {dangersOf(classOf(classId)).map(({ id, words }) => (
            <Choice
              key={id}
              className="grow"
              label={words}
              tone="held"
              on={dangers.includes(id)}
              onPress={() => toggle(id)}
            />
          ))}
        </View>
      </View>
      <Row question="Does it run?">
        <Choice className="flex-1" label="Runs" on={said.runs === 'yes'} onPress={() => say({ runs: 'yes' })} />
        <Choice className="flex-1" label="No" tone="held" on={said.runs === 'no'} onPress={() => say({ runs: 'no' })} />
        <Choice
          className="flex-1"
          label="Not tried"
          on={said.runs === 'not-tried'}
          onPress={() => say({ runs: 'not-tried' })}
        />
      </Row>
      <Row question="Does it leak?">
        <Choice className="flex-1" label="Dry" on={said.leaks === false} onPress={() => say({ leaks: false })} />
        <Choice
          className="flex-1"
          label="It leaks"
          tone="held"
          on={said.leaks === true}
          onPress={() => say({ leaks: true })}
        />
      </Row>
      <Row question="Is all of it there?">
        <Choice
          className="flex-1"
          label="All there"
          on={said.complete === true}
          onPress={() => say({ complete: true })}
        />
        <Choice
          className="flex-1"
          label="Something is missing"
          tone="held"
          on={said.complete === false}
          onPress={() => say({ complete: false })}
        />
      </Row>
    </Card>
  );
}

const Row = ({ question, children }: { readonly question: string; readonly children: React.ReactNode }) => (
  <View className="gap-2" role="group" aria-label={question}>
    <Words face="strong">{question}</Words>
    <View className="flex-row gap-2">{children}</View>
  </View>
);
