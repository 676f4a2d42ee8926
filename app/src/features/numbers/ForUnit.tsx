import type { UnitSheet } from '@hudrik/core/contracts';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Field, Words } from '@/design';

interface Props {
  readonly tag: string | null;
  readonly sheet: UnitSheet | null;
}

const TAG = /^[A-Z]{2}-\d{2,4}$/;

/** For which unit a sum is made: its model's sheet and its plate rule then. */
export function ForUnit({ tag, sheet }: Props) {
  const [text, setText] = useState(tag ?? '');
  const wanted = text.trim().toUpperCase();
  const isTag = TAG.test(wanted);
  return (
    <View className="gap-1">
      <View className="flex-row items-end gap-2">
        <Field
          className="min-w-0 flex-1"
          label="For a unit (its tag), if you like"
          value={text}
          autoCapitalize="characters"
          onChangeText={setText}
          wrong={wanted !== '' && !isTag ? 'A tag is as PW-07.' : undefined}
        />
        <Button
          label={tag === null ? 'Use its sheet' : wanted === '' ? 'Use none' : 'Use its sheet'}
          offBecause={isTag || (wanted === '' && tag !== null) ? null : 'Type the tag of a unit first.'}
          onPress={() => router.setParams({ unit: wanted === '' ? undefined : wanted })}
        />
      </View>
      {tag === null ? null : (
        <Words size={15} role="status">
          {sheet === null
            ? `The sheet of ${tag} is not there yet: common practice counts.`
            : `${sheet.tag}, ${sheet.model.make} ${sheet.model.name}: its own figures count where its sheet has them.`}
        </Words>
      )}
    </View>
  );
}
