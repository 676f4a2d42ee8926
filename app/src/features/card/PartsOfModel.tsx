import type { UnitPart } from '@hudrik/core/contracts';
import { useDeferredValue, useState } from 'react';
import { Pressable, View } from 'react-native';
import { useRead } from '@/api';
import { Button, Field, Words } from '@/design';
import { sayMoney } from '@/writing';

interface Props {
  readonly tag: string;
  readonly chosen: UnitPart | null;
  readonly onChoose: (part: UnitPart) => void;
  /** All parts of a set at once: needle, seat and their seals. */
  readonly onSet: (parts: readonly UnitPart[]) => void;
}

const MANY = 6;

/** The parts of the unit's model: found by name, place, set, or any number they ever had. */
export function PartsOfModel({ tag, chosen, onChoose, onSet }: Props) {
  const [text, setText] = useState('');
  const find = useDeferredValue(text.trim());
  const all = useRead('unitParts', { params: { tag }, query: { find: '' } });
  const found = useRead('unitParts', { params: { tag }, query: { find } });
  const count = all.data?.parts.length ?? 0;
  if (count === 0) return null;
  const parts = found.data?.parts ?? [];
  const set =
    chosen === null || chosen.kit === '' ? [] : (all.data?.parts ?? []).filter(({ kit }) => kit === chosen.kit);
  return (
    <View className="gap-2">
      <Words face="strong">{`Parts of ${all.data?.model.name ?? 'this model'}`}</Words>
      {count > MANY ? (
        <Field label="Find by name, place or any number" isSearch value={text} onChangeText={setText} />
      ) : null}
      {parts.length === 0 && !found.isPending ? (
        <Words size={15}>{`None of its ${count} parts matches “${find}”.`}</Words>
      ) : null}
      {parts.slice(0, MANY).map((part) => (
        <Pressable
          key={`${part.name} ${part.place}`}
          role="button"
          aria-pressed={chosen?.name === part.name && chosen.place === part.place}
          aria-label={[part.name, part.place].filter(Boolean).join(', ')}
          onPress={() => onChoose(part)}
          className={`min-h-[56px] justify-center border px-3 py-1 ${chosen?.name === part.name && chosen.place === part.place ? 'border-2 border-ink bg-card' : 'border-card-edge'}`}
        >
          <Words face="strong">{[part.name, part.place].filter(Boolean).join(', ')}</Words>
          <Words size={13} tone="ink-soft">
            {sayPart(part)}
          </Words>
        </Pressable>
      ))}
      {parts.length > MANY ? (
        <Words size={13} tone="ink-soft">{`${parts.length - MANY} more: write a word of the name.`}</Words>
      ) : null}
      {set.length > 1 ? (
        <Button
          label={`Ask for the whole set: ${chosen?.kit}`}
          detail={set.map(({ name }) => name.toLowerCase()).join(', ')}
          onPress={() => onSet(set)}
        />
      ) : null}
    </View>
  );
}

const sayPart = ({ number, today, cents, paid, free, count, kit }: UnitPart): string =>
  [
    today ?? (number === null ? 'number unknown' : `${number}: leads nowhere`),
    today !== null && number !== today && `was ${number}`,
    count > 1 && `${count} of them`,
    cents !== null && sayMoney(cents),
    paid && `last paid ${sayMoney(paid.cents)}`,
    free > 0 && `${free} on the shelf`,
    kit !== '' && `set: ${kit}`,
  ]
    .filter(Boolean)
    .join(' · ');
