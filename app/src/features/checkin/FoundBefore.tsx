import { View } from 'react-native';
import { Choice, Field, Section, Words } from '@/design';
import { foundInOrder, toldDangers, type DangerSaid, type Draft, type Settled } from './draft';
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
  const dangers = toldDangers(draft);
  const answer = (id: string, said: DangerSaid) =>
    change(({ dangers: before = {} }) => ({ dangers: { ...before, [id]: said } }));
  return (
    <>
      {dangers.length > 0 ? (
        <Section title="Told, and dangerous">
          {dangers.map(({ id, sentence }) => (
            <Danger
              key={id}
              sentence={sentence}
              said={draft.dangers?.[id] ?? null}
              onSay={(said) => answer(id, said)}
            />
          ))}
        </Section>
      ) : null}
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
          {inOrder.map(({ id, sentence, looks = HOW.map(([how]) => how) }) => (
            <InOrder
              key={id}
              sentence={sentence}
              ends={looks}
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

const SHOWED = [
  ['yes', 'It did'],
  ['no', 'It did not'],
  ['not-tried', 'Could not try'],
] as const;

/** What somebody told is dangerous: what this look showed. That it was not found closes nothing: two people say that. */
function Danger({
  sentence,
  said,
  onSay,
}: {
  readonly sentence: string;
  readonly said: DangerSaid | null;
  readonly onSay: (said: DangerSaid) => void;
}) {
  return (
    <View className="gap-2 border-b border-line py-2">
      <Words face="strong">{sentence}</Words>
      <View className="flex-row gap-2" role="group" aria-label={`Did it show: ${sentence}`}>
        {SHOWED.map(([showed, label]) => (
          <Choice
            key={showed}
            className="flex-1"
            label={label}
            tone={showed === 'yes' ? 'held' : 'ink'}
            on={said?.showed === showed}
            onPress={() => onSay({ showed, why: said?.why ?? '' })}
          />
        ))}
      </View>
      {said?.showed === 'no' ? (
        <>
          <Field
            label="What you tried and saw"
            value={said.why}
            onChangeText={(why) => onSay({ ...said, why })}
            multiline
          />
          <Words size={15}>It stays open until two people have looked, or its cause is put right.</Words>
        </>
      ) : null}
    </View>
  );
}

function InOrder({
  sentence,
  ends,
  settled,
  onSettle,
}: {
  readonly sentence: string;
  /** What a look may say of it: a repair that is proved is none of them. */
  readonly ends: readonly string[];
  readonly settled: Settled | null;
  readonly onSettle: (settled: Settled | null) => void;
}) {
  return (
    <View className="gap-2 border-b border-line py-2">
      <Words>{sentence}</Words>
      <View className="flex-row gap-2" role="group" aria-label={sentence}>
        {HOW.filter(([how]) => ends.includes(how)).map(([how, label]) => (
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
      {ends.includes('put-right') ? null : (
        <Words size={15}>What puts it right is done on its job, which is proved and signed.</Words>
      )}
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
export function whatIsUnsaid(draft: Draft): string | null {
  const { settled = {}, dangers = {} } = draft;
  if (toldDangers(draft).some(({ id }) => dangers[id] === undefined)) return 'Answer what was told and is dangerous.';
  return Object.values(settled).some(({ why }) => why.trim().length < 3)
    ? 'Say how what was found before came to be in order.'
    : null;
}
