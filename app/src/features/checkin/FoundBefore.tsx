import { View } from 'react-native';
import { Choice, Field, Section, Words } from '@/design';
import { foundInOrder, type Draft, type Settled } from './draft';
import type { LeafProps } from './leaf';

interface Props {
  readonly draft: Draft;
  readonly change: LeafProps['change'];
  /** An apprentice looks; what was found before is closed by a technician. */
  readonly mayClose: boolean;
}

/** What was known of it before and this look bears on: what is in order now, and what may have shown again. */
export function FoundBefore({ draft, change, mayClose }: Props) {
  const inOrder = mayClose ? foundInOrder(draft) : [];
  const asked = draft.opening.asksAgain ?? [];
  const settle = (id: string, settled: Settled | null) =>
    change(({ settled: before = {} }) => {
      const { [id]: _, ...others } = before;
      return { settled: settled === null ? others : { ...others, [id]: settled } };
    });
  return (
    <>
      {asked.length > 0 ? (
        <Section title="Did it show again?">
          {asked.map(({ id, sentence, how }) => (
            <View key={id} className="gap-2 border-b border-line py-2">
              <Words>{sentence}</Words>
              <Words size={13} tone="ink-soft">
                {how === 'lived-with' ? 'It is lived with.' : 'It was told, and not found.'}
              </Words>
              <View className="flex-row gap-2" role="group" aria-label={sentence}>
                {(['No', 'Yes'] as const).map((label) => (
                  <Choice
                    key={label}
                    className="flex-1"
                    label={label}
                    tone={label === 'Yes' ? 'held' : 'ink'}
                    on={draft.again?.[id] === (label === 'Yes')}
                    onPress={() => change(({ again = {} }) => ({ again: { ...again, [id]: label === 'Yes' } }))}
                  />
                ))}
              </View>
            </View>
          ))}
        </Section>
      ) : null}
      {inOrder.length > 0 ? (
        <Section title="Found before, in order now">
          {inOrder.map(({ id, sentence }) => (
            <InOrder
              key={id}
              sentence={sentence}
              settled={draft.settled?.[id] ?? null}
              onSettle={(settled) => settle(id, settled)}
            />
          ))}
        </Section>
      ) : null}
    </>
  );
}

const HOW = [
  ['put-right', 'Put right'],
  ['was-all-right', 'Was all right'],
] as const;

function InOrder({
  sentence,
  settled,
  onSettle,
}: {
  readonly sentence: string;
  readonly settled: Settled | null;
  readonly onSettle: (settled: Settled | null) => void;
}) {
  return (
    <View className="gap-2 border-b border-line py-2">
      <Words>{sentence}</Words>
      <View className="flex-row gap-2" role="group" aria-label={sentence}>
        {HOW.map(([how, label]) => (
          <Choice
            key={how}
            className="flex-1"
            label={label}
            on={settled?.how === how}
            onPress={() => onSettle({ how, why: settled?.why ?? '' })}
          />
        ))}
        <Choice className="flex-1" label="Leave it open" on={settled === null} onPress={() => onSettle(null)} />
      </View>
      {settled ? (
        <Field
          label={settled.how === 'put-right' ? 'By which work' : 'What you saw'}
          value={settled.why}
          onChangeText={(why) => onSettle({ ...settled, why })}
        />
      ) : null}
    </View>
  );
}

/** What is still to be said before it is confirmed; null when nothing is. */
export const whatIsUnsaid = ({ settled = {} }: Draft): string | null =>
  Object.values(settled).some(({ why }) => why.trim().length < 3)
    ? 'Say how what was found before came to be in order.'
    : null;
