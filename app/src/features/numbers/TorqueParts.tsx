import type { SheetTorque } from '@hudrik/core/contracts';
import { isNoFigure } from '@hudrik/core/figures';
import { View } from 'react-native';
import { Button, Choice, Field, Section, Words } from '@/design';
import { sayFigure } from '@/writing';
import { MOST_BOLTS, ROUND_WORD, SHAPES, type Pattern, type Texts, type TorqueUnit } from './torqueSums';

interface AnswerProps {
  readonly rounds: readonly number[] | null;
  readonly problem: string;
  readonly round: number;
  readonly finished: boolean;
  readonly unit: TorqueUnit;
}

/** What the wrench is set to now, and round by round; or why nobody can say. */
export function Answer({ rounds, problem, round, finished, unit }: AnswerProps) {
  if (rounds === null)
    return (
      <Words tone="held" role="status">
        {problem}
      </Words>
    );
  return (
    <View role="status" className="gap-1">
      <View className="flex-row items-baseline gap-2">
        <Words face="figures" size={56}>
          {finished ? '✓' : sayFigure(rounds[round] ?? 0)}
        </Words>
        <Words size={22}>{finished ? 'All rounds done.' : `${unit}, ${ROUND_WORD[round]}`}</Words>
      </View>
      <Words size={15}>{rounds.map((value, at) => `${ROUND_WORD[at]} ${sayFigure(value)}`).join(' · ')}</Words>
    </View>
  );
}

export const OfSheet = ({ torque }: { readonly torque: SheetTorque }) => (
  <View className="gap-1">
    <Words face="strong">{`${torque.what}, threads ${torque.threads}: the model’s own figure${torque.order.length > 0 ? ' and pattern' : ''}.`}</Words>
    {torque.long.length > 0 ? <Words>Long bolts go in the holes with two rings.</Words> : null}
  </View>
);

interface BoltsProps {
  readonly pattern: Pattern;
  readonly hasSheet: boolean;
  readonly onChange: (change: Partial<Pattern>) => void;
}

/** Two rows, a ring of any number, places set by hand, or the model's own. */
export const Bolts = ({ pattern: { shape, count }, hasSheet, onChange }: BoltsProps) => (
  <Section title="Pattern">
    <View className="flex-row flex-wrap gap-2">
      {hasSheet ? (
        <Choice
          className="grow"
          label="The model’s own"
          on={shape === 'sheet'}
          onPress={() => onChange({ shape: 'sheet' })}
        />
      ) : null}
      {(['rows', 'ring', 'own'] as const).map((one) => (
        <Choice
          key={one}
          className="grow"
          label={SHAPES[one]}
          on={shape === one}
          onPress={() => onChange({ shape: one })}
        />
      ))}
    </View>
    {shape === 'rows' || shape === 'ring' ? (
      <View className="flex-row items-center gap-3">
        <Button
          label="−"
          aria-label="One bolt less"
          disabled={count <= 2}
          onPress={() => onChange({ count: count - 1 })}
        />
        <Words face="figures" size={32} className="min-w-[120px] text-center">
          {`${count} bolts`}
        </Words>
        <Button
          label="+"
          aria-label="One bolt more"
          disabled={count >= MOST_BOLTS}
          onPress={() => onChange({ count: count + 1 })}
        />
      </View>
    ) : null}
  </Section>
);

interface FiguresProps {
  readonly unit: TorqueUnit;
  readonly texts: Texts;
  readonly onChange: (change: Partial<Texts>) => void;
}

export function Figures({ unit, texts, onChange }: FiguresProps) {
  const line = (name: keyof Texts, label: string, className = '') => (
    <Field
      className={className}
      label={label}
      value={texts[name]}
      onChangeText={(text) => onChange({ [name]: text })}
      inputMode="decimal"
      wrong={isNoFigure(texts[name]) ? 'Enter a number, with at most one point.' : undefined}
    />
  );
  return (
    <>
      {line('wanted', `Wanted, ${unit}`)}
      {line('drag', `Drag just to turn it, ${unit}`)}
      <View className="flex-row gap-2">
        {line('arm', 'Wrench arm', 'min-w-0 flex-1')}
        {line('extension', 'Extension in line', 'min-w-0 flex-1')}
      </View>
    </>
  );
}
