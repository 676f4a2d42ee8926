import type { HireLine } from '@hudrik/core/contracts';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Choice, Empty, Field, useIsWide, Words } from '@/design';
import type { Returned } from './pile';
import { tagIn } from './tagIn';

interface Props {
  readonly out: readonly HireLine[];
  readonly pile: readonly Returned[];
  readonly onTag: (tag: string) => void;
}

/** The next of the pile: typed, scanned into the line, or tapped among those that are out, the one due first first. */
export function FindReturned({ out, pile, onTag }: Props) {
  const wide = useIsWide();
  const [text, setText] = useState('');
  const [unknown, setUnknown] = useState<string | null>(null);
  const isOutOrBack = (tag: string): boolean => [...out, ...pile].some((one) => one.tag === tag);
  const enter = (typed: string) => {
    const tag = tagIn(typed);
    if (tag === null) return setUnknown('');
    if (!isOutOrBack(tag)) return setUnknown(tag);
    return onTag(tag);
  };
  const typed = text.replace(/[^a-z0-9]/gi, '').toUpperCase();
  const likely = out.filter((hire) => (hire.tag ?? '').replace('-', '').startsWith(typed));
  return (
    <View className="gap-3">
      <Field
        label="Tag, typed or scanned"
        // On the phone the keys would stand over the tags to tap.
        autoFocus={wide}
        autoCapitalize="characters"
        autoCorrect={false}
        value={text}
        onChangeText={(next) => {
          setText(next);
          setUnknown(null);
        }}
        onSubmitEditing={() => enter(text)}
        wrong={unknown === '' ? 'A tag is two letters and figures, as PW-07.' : undefined}
      />
      {unknown ? (
        <Empty sentence={`${unknown} is not out on hire. It can be checked in all the same.`}>
          <Button label={`Check in ${unknown}`} onPress={() => router.navigate(`/u/${unknown}/check-in`)} />
        </Empty>
      ) : null}
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="Out now">
        {likely.slice(0, MOST).map((hire) => (
          <Choice
            key={hire.reference}
            className="min-w-[28%] grow"
            label={hire.tag ?? ''}
            on={false}
            onPress={() => onTag(hire.tag ?? '')}
          />
        ))}
      </View>
      {likely.length > MOST ? (
        <Words size={15} tone="ink-soft">{`And ${likely.length - MOST} more: type the tag.`}</Words>
      ) : null}
      {out.length === 0 ? <Empty sentence="Nothing is out on hire." /> : null}
    </View>
  );
}

const MOST = 15;
