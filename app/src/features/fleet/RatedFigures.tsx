import { isNoFigure, readPositive } from '@hudrik/core/figures';
import { GOVERNORS, RATINGS, folderOf, type Rated, type RatingId } from '@hudrik/core/catalogue';
import { keysOf } from '@hudrik/core/typed';
import { useState } from 'react';
import { View } from 'react-native';
import { Choice, Field, Section, Words } from '@/design';
import { sayValue } from '@/writing';

interface Props {
  readonly classId: string;
  readonly rated: Rated;
  /** What counts where nothing is entered, before what is usual for the class: a model's sheet. */
  readonly usual?: Rated;
  readonly onChange: (rated: Rated) => void;
}

const GOVERNOR_WORD = { mechanical: 'Governor', inverter: 'Inverter' } as const;

/** What is on the plate: check-in and proof are held against it. What is empty is as usual for its class. */
export function RatedFigures({ classId, rated, usual: ofModel = {}, onChange }: Props) {
  const usual: Rated = { ...folderOf(classId).rated, ...ofModel };
  const ratings = keysOf(RATINGS).filter((id) => RATINGS[id].classes.some((one) => one === classId));
  return (
    <Section title="Rated, as on its plate">
      {usual.governor === undefined ? null : (
        <View className="flex-row gap-2" role="group" aria-label="How its speed is held">
          {GOVERNORS.map((id) => (
            <Choice
              key={id}
              className="flex-1"
              label={GOVERNOR_WORD[id]}
              on={(rated.governor ?? usual.governor) === id}
              onPress={() => onChange({ ...rated, governor: id })}
            />
          ))}
        </View>
      )}
      {ratings.map((id) => (
        <Figure
          key={id}
          id={id}
          figure={rated[id]}
          usual={usual[id]}
          onChange={(figure) => onChange({ ...rated, [id]: figure })}
        />
      ))}
      <Words size={15}>
        The limits of check-in and proof move with these. Where you enter nothing, what is usual counts.
      </Words>
    </Section>
  );
}

interface FigureProps {
  readonly id: RatingId;
  readonly figure: number | undefined;
  readonly usual: number | undefined;
  readonly onChange: (figure: number | undefined) => void;
}

function Figure({ id, figure, usual, onChange }: FigureProps) {
  const [text, setText] = useState(figure === undefined ? '' : String(figure));
  const { name, unit } = RATINGS[id];
  const isWrong = isNoFigure(text);
  return (
    <Field
      label={`${name}, ${unit}${usual === undefined ? '' : ` (usual: ${sayValue(usual)})`}`}
      value={text}
      inputMode="decimal"
      wrong={isWrong ? 'Enter figures, as 230.' : undefined}
      onChangeText={(typed) => {
        setText(typed);
        const value = readPositive(typed);
        onChange(value === null || value === 0 ? undefined : value);
      }}
    />
  );
}
