import type { WeekStretch } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Field } from '@/design';
import { stretchesOf, textOf, WEEKDAYS } from './weekText';

interface Props {
  /** Whose hours they are: a person, the yard. */
  readonly of: string;
  readonly hours: readonly WeekStretch[];
  /** What a day without hours says. */
  readonly empty: string;
  readonly isPending: boolean;
  readonly onKeep: (hours: WeekStretch[]) => void;
}

/** A week's hours, a line for each day. */
export function WeekForm({ of, hours, empty, isPending, onKeep }: Props) {
  const [week, setWeek] = useState(() => WEEKDAYS.map((_, at) => textOf(hours, at + 1)));
  const read = week.map((text, at) => stretchesOf(text, at + 1));
  const wrong = read.some((day) => day === null);
  const isSame = week.every((text, at) => text === textOf(hours, at + 1));
  return (
    <View className="gap-2">
      {WEEKDAYS.map((day, at) => (
        <Field
          key={day}
          label={`${day}, ${of}`}
          value={week[at] ?? ''}
          placeholder={empty}
          onChangeText={(text) => setWeek(week.map((one, nth) => (nth === at ? text : one)))}
          wrong={read[at] === null ? 'As 07:30-12:00, 12:30-16:30; none over another.' : undefined}
        />
      ))}
      <Button
        label="Keep these hours"
        aria-label={`Keep the hours of ${of}`}
        offBecause={wrong ? 'A day cannot be read.' : isSame ? 'Nothing is changed yet.' : null}
        disabled={isPending}
        onPress={() => onKeep(read.flatMap((day) => day ?? []))}
      />
    </View>
  );
}
