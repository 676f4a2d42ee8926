import { CLASS_IDS, type ClassId } from '@hudrik/core/catalogue';
import { CLASS_TAGS } from '@hudrik/core/classTags';
import type { LayUpReply } from '@hudrik/core/contracts';
import { readFigure } from '@hudrik/core/figures';
import { wrongOfSeasons } from '@hudrik/core/layUp';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf } from '@/api';
import { Button, Choice, Failure, Field, Sheet, Words } from '@/design';
import { useChange } from '@/outbox';

interface Typed {
  readonly from: string;
  readonly to: string;
  readonly odds: string;
}

interface Props {
  readonly seasons: LayUpReply['seasons'];
  readonly onClose: () => void;
}

const WRONG = {
  'not-a-day': 'Write days as month and day, e.g. 11-01; it must end on another day.',
  odds: 'Of a hundred that stand, so many are called: 0 to 100.',
  overlap: 'Two seasons of one class lie over each other.',
} as const;

const typedOf = (seasons: LayUpReply['seasons'], classId: ClassId): Typed[] =>
  seasons
    .filter((season) => season.classId === classId)
    .map(({ from, to, callOdds }) => ({ from, to, odds: String(Math.round(callOdds * 100)) }));

/** When a class stands: from, to, and how often one is called at short notice meanwhile. */
export function SeasonsSheet({ seasons, onClose }: Props) {
  const change = useChange('setSeasons');
  const first = seasons[0]?.classId ?? CLASS_IDS[0];
  const [classId, setClassId] = useState<ClassId>(first);
  const [list, setList] = useState<readonly Typed[]>(() => typedOf(seasons, first));
  const read = list.map(({ from, to, odds }) => ({
    from: from.trim(),
    to: to.trim(),
    callOdds: (readFigure(odds) ?? -100) / 100,
  }));
  const wrong = wrongOfSeasons(read);
  const set = (at: number, more: Partial<Typed>) =>
    setList(list.map((one, nth) => (nth === at ? { ...one, ...more } : one)));
  return (
    <Sheet title="When classes stand" open onClose={onClose}>
      {change.isError ? <Failure sentence={sentenceOf(change.error)} kept="What you wrote is still here." /> : null}
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="Class">
        {CLASS_IDS.map((id) => (
          <Choice
            key={id}
            className="grow"
            label={CLASS_TAGS[id].name}
            on={classId === id}
            onPress={() => {
              setClassId(id);
              setList(typedOf(seasons, id));
            }}
          />
        ))}
      </View>
      {list.map((season, at) => (
        <View key={at} className="gap-2 border border-line p-3">
          <Field label="From, month and day" value={season.from} onChangeText={(from) => set(at, { from })} />
          <Field label="To, month and day" value={season.to} onChangeText={(to) => set(at, { to })} />
          <Field
            label="Of a hundred, called at short notice"
            value={season.odds}
            inputMode="decimal"
            onChangeText={(odds) => set(at, { odds })}
          />
          <Button kind="quiet" label="Not this one" onPress={() => setList(list.filter((_, nth) => nth !== at))} />
        </View>
      ))}
      {list.length === 0 ? <Words>This class never stands.</Words> : null}
      <Button label="Another season" onPress={() => setList([...list, { from: '', to: '', odds: '5' }])} />
      <Button
        kind="main"
        label="Save this class"
        disabled={change.isPending}
        offBecause={wrong ? WRONG[wrong.code] : null}
        onPress={() => change.mutate({ params: { class: classId }, body: { seasons: read } }, { onSuccess: onClose })}
      />
    </Sheet>
  );
}
