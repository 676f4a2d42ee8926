import { torqueRounds, type BoltPlace } from '@hudrik/core/torque';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Choice, Field, Page, Section, Words } from '@/design';
import { usePerson } from '@/api';
import { BoltPattern } from './BoltPattern';
import { sayFigure } from '@/writing';

const UNITS = ['lbf·ft', 'lbf·in', 'N·m'] as const;
const COUNTS = [4, 5, 6, 8, 10] as const;
const ROUND_WORD = ['a third', 'two thirds', 'full', 'once round'] as const;
const NUMBER = /^\d+([.,]\d+)?$/;
const toNumber = (text: string): number | null => (NUMBER.test(text) ? Number(text.replace(',', '.')) : null);

const ring = (n: number): BoltPlace[] =>
  Array.from({ length: n }, (_, at) => ({
    x: Math.sin((2 * Math.PI * at) / n) * 50,
    y: -Math.cos((2 * Math.PI * at) / n) * 50,
  }));
const rows = (n: number): BoltPlace[] =>
  Array.from({ length: n }, (_, at) => ({ x: Math.floor(at / 2) * 30, y: (at % 2) * 45 }));

/** Tightening a head: settings of the wrench round by round, and the order of the bolts, ticked as they are done. */
export function TorqueScreen() {
  const { preferences } = usePerson();
  const [unit, setUnit] = useState<(typeof UNITS)[number]>(preferences.units === 'metric' ? 'N·m' : 'lbf·ft');
  const [texts, setTexts] = useState({ wanted: '18', drag: '0', arm: '', extension: '' });
  const [shape, setShape] = useState<'ring' | 'rows'>('rows');
  const [count, setCount] = useState<number>(4);
  const [done, setDone] = useState(0);
  const places = shape === 'ring' ? ring(count) : rows(count);
  const set = (name: keyof typeof texts) => (text: string) => setTexts((before) => ({ ...before, [name]: text }));
  const [wanted, drag, arm, extension] = [
    toNumber(texts.wanted),
    toNumber(texts.drag || '0'),
    toNumber(texts.arm || '0'),
    toNumber(texts.extension || '0'),
  ];
  const rounds =
    wanted === null || wanted === 0 || drag === null || arm === null || extension === null
      ? null
      : torqueRounds({ wanted, drag, arm, extension });
  const round = Math.min(Math.floor(done / count), ROUND_WORD.length - 1);
  const finished = done >= count * ROUND_WORD.length;
  const again = (change: () => void) => () => {
    change();
    setDone(0);
  };
  const wrong = (text: string) =>
    text !== '' && toNumber(text) === null ? 'Enter a number, with at most one point.' : undefined;
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        Tightening, round by round
      </Words>
      {rounds?.ok ? (
        <View role="status" className="gap-1">
          <View className="flex-row items-baseline gap-2">
            <Words face="figures" size={56}>
              {finished ? '✓' : sayFigure(rounds.wrench[round] ?? 0)}
            </Words>
            <Words size={22}>{finished ? 'All rounds done.' : `${unit}, ${ROUND_WORD[round]}`}</Words>
          </View>
          <Words size={15}>
            {rounds.wrench.map((value, at) => `${ROUND_WORD[at]} ${sayFigure(value)}`).join(' · ')}
          </Words>
        </View>
      ) : (
        <Words tone="held" role="status">
          {rounds === null
            ? 'Enter the wanted torque.'
            : 'The drag is nearly as large as the wanted torque: the figure means nothing. Chase the thread, or replace the bolt.'}
        </Words>
      )}
      <BoltPattern places={places} done={finished ? count : done - round * count} />
      <View className="flex-row gap-2">
        <Button
          kind="main"
          tall
          className="grow"
          label="This one is done"
          offBecause={sayOff(finished, rounds)}
          onPress={() => setDone(done + 1)}
        />
        <Button
          tall
          label="Back"
          aria-label="Undo the last one"
          disabled={done === 0}
          onPress={() => setDone(done - 1)}
        />
      </View>
      <Section title="Pattern">
        <View className="flex-row flex-wrap gap-2">
          <Choice className="flex-1" label="Two rows" on={shape === 'rows'} onPress={again(() => setShape('rows'))} />
          <Choice className="flex-1" label="Ring" on={shape === 'ring'} onPress={again(() => setShape('ring'))} />
        </View>
        <View className="flex-row gap-2">
          {COUNTS.map((n) => (
            <Choice
              key={n}
              className="flex-1"
              label={String(n)}
              aria-label={`${n} bolts`}
              on={count === n}
              onPress={again(() => setCount(n))}
            />
          ))}
        </View>
      </Section>
      <Section title="Torque">
        <View className="flex-row gap-2">
          {UNITS.map((entry) => (
            <Choice key={entry} className="flex-1" label={entry} on={unit === entry} onPress={() => setUnit(entry)} />
          ))}
        </View>
        <Field
          label={`Wanted, ${unit}`}
          value={texts.wanted}
          onChangeText={set('wanted')}
          inputMode="decimal"
          wrong={wrong(texts.wanted)}
        />
        <Field
          label={`Drag just to turn it, ${unit}`}
          value={texts.drag}
          onChangeText={set('drag')}
          inputMode="decimal"
          wrong={wrong(texts.drag)}
        />
        <View className="flex-row gap-2">
          <Field
            className="min-w-0 flex-1"
            label="Wrench arm"
            value={texts.arm}
            onChangeText={set('arm')}
            inputMode="decimal"
            wrong={wrong(texts.arm)}
          />
          <Field
            className="min-w-0 flex-1"
            label="Extension in line"
            value={texts.extension}
            onChangeText={set('extension')}
            inputMode="decimal"
            wrong={wrong(texts.extension)}
          />
        </View>
      </Section>
      <Words size={15}>
        Setting = (share × wanted + drag) × arm ÷ (arm + extension), arm and extension in one unit. Common practice: 40
        wanted with 8 drag ends at 48. The model’s own pattern and figure come first; clean threads; dry and oiled are
        not the same.
      </Words>
    </Page>
  );
}

/** Why no bolt can be called done; null: it can. */
function sayOff(finished: boolean, rounds: { readonly ok: boolean } | null): string | null {
  if (finished) return 'All of them are done.';
  if (rounds === null) return 'Enter the wanted torque first.';
  return rounds.ok ? null : 'The drag is too large.';
}
