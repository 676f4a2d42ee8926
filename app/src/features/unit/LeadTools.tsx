import type { UnitPage } from '@hudrik/core/contracts';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useChange } from '@/api';
import { Button, Failure, Field, Section, Sheet } from '@/design';
import { usePerson } from '@/features/session';

/** Notes for everybody; lay-up, going and the label for the lead. */
export function LeadTools({ page }: { readonly page: UnitPage }) {
  const { role } = usePerson();
  const { unit } = page;
  const change = useChange('changeUnit');
  const [sheet, setSheet] = useState<'note' | 'gone' | null>(null);
  const params = { tag: unit.tag };
  const laidUp = unit.verdict.readiness === 'laid-up';
  return (
    <Section title="More">
      {change.isError ? <Failure sentence={sentenceOf(change.error)} /> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button label="Write a note" onPress={() => setSheet('note')} />
        <Button label="Print its label" onPress={() => router.navigate(`/u/${unit.tag}/label`)} />
        {role === 'lead' && !page.hire && unit.verdict.readiness !== 'gone' ? (
          <Button
            label={laidUp ? 'Wake it up' : 'Lay it up'}
            onPress={() => change.mutate({ params, body: { laidUp: !laidUp } as never, seenVersion: unit.version })}
          />
        ) : null}
        {role === 'lead' && !page.hire && unit.verdict.readiness !== 'gone' ? (
          <Button kind="stop" label="It leaves the yard" onPress={() => setSheet('gone')} />
        ) : null}
        {role === 'lead' && unit.verdict.readiness === 'gone' ? (
          <Button
            label="Take it back"
            onPress={() => change.mutate({ params, body: { gone: null } as never, seenVersion: unit.version })}
          />
        ) : null}
      </View>
      {sheet === 'note' ? (
        <WriteSheet
          title="Write a note"
          label="Note"
          button="Keep it"
          operation="addNote"
          tag={unit.tag}
          onClose={() => setSheet(null)}
          bodyOf={(text) => ({ text })}
        />
      ) : null}
      {sheet === 'gone' ? (
        <WriteSheet
          title={`${unit.tag} leaves the yard`}
          label="Sold, scrapped: say which and why"
          button="It is gone"
          operation="changeUnit"
          tag={unit.tag}
          onClose={() => setSheet(null)}
          bodyOf={(why) => ({ gone: { why } })}
        />
      ) : null}
    </Section>
  );
}

interface WriteSheetProps {
  readonly title: string;
  readonly label: string;
  readonly button: string;
  readonly operation: 'addNote' | 'changeUnit';
  readonly tag: string;
  readonly onClose: () => void;
  readonly bodyOf: (text: string) => object;
}

function WriteSheet({ title, label, button, operation, tag, onClose, bodyOf }: WriteSheetProps) {
  const change = useChange(operation);
  const [text, setText] = useState('');
  const send = async () => {
    await change.mutateAsync({ params: { tag }, body: bodyOf(text) as never });
    onClose();
  };
  return (
    <Sheet title={title} open onClose={onClose}>
      {change.isError ? <Failure sentence={sentenceOf(change.error)} kept="What you wrote is still here." /> : null}
      <Field label={label} value={text} onChangeText={setText} multiline />
      <Button
        kind="main"
        label={button}
        disabled={text.trim().length < 3 || change.isPending}
        onPress={() => void send().catch(() => undefined)}
      />
    </Sheet>
  );
}
