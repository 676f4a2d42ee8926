import { WORKS_ON_UNITS, type Shift } from '@hudrik/core/contracts';
import { tellEntry } from '@hudrik/core/log';
import { router, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, usePerson } from '@/api';
import { Button, Card, Failure, Section, Words } from '@/design';
import { WORDING } from '@/features/fleet';
import { WriteSheet } from '@/forms';
import { useEntry } from '@/outbox';
import { sayAgo } from '@/writing';

type Line = Shift['alone'][number];

/** What somebody did alone where two were wanted: the next one who may looks, and says whether they agree. */
export default function DoneAlone({ alone }: Pick<Shift, 'alone'>) {
  const { name, role } = usePerson();
  const mine = WORKS_ON_UNITS.includes(role) ? alone.filter(({ entry }) => entry.by !== name) : [];
  if (mine.length === 0) return null;
  return (
    <Section title="Done alone: look, and countersign" count={mine.length}>
      {mine.map((line) => (
        <One key={line.entry.id} line={line} />
      ))}
    </Section>
  );
}

function One({ line: { tag, entry } }: { readonly line: Line }) {
  const [disagrees, setDisagrees] = useState(false);
  const send = useEntry('countersigned');
  const { title, lines } = tellEntry(entry, WORDING);
  const say = (agrees: boolean, why?: string) =>
    send.mutateAsync({ facts: { entryId: entry.id, agrees, ...(why === undefined ? {} : { why }) }, on: { tag } });
  return (
    <Card className="gap-2">
      <View className="flex-row items-baseline gap-3">
        <Words face="stencil" size={22}>
          {tag}
        </Words>
        <Words face="strong" className="min-w-0 flex-1">
          {title}
        </Words>
      </View>
      <Words size={13} tone="ink-soft">
        {[entry.by, sayAgo(entry.at)].filter(Boolean).join(' · ')}
      </Words>
      {lines.map((text) => (
        <Words key={text} size={15}>
          {text}
        </Words>
      ))}
      {send.isError && !disagrees ? <Failure sentence={sentenceOf(send.error)} /> : null}
      {send.isSuccess ? (
        <Words role="status">{send.data.answer === null ? 'Noted here, not sent yet.' : 'Noted.'}</Words>
      ) : (
        <View className="flex-row flex-wrap gap-2">
          <Button
            className="grow"
            label="I looked too: I agree"
            aria-label={`I agree: ${tag}, ${title}`}
            disabled={send.isPending}
            onPress={() => void say(true).catch(() => undefined)}
          />
          <Button
            className="grow"
            kind="stop"
            label="I do not agree"
            aria-label={`I do not agree: ${tag}, ${title}`}
            disabled={send.isPending}
            onPress={() => setDisagrees(true)}
          />
          <Button kind="quiet" label={`See ${tag}`} onPress={() => router.navigate(`/u/${tag}` as Href)} />
        </View>
      )}
      {disagrees ? (
        <WriteSheet
          title="You do not agree"
          sentence="What was closed by it is open again, and the unit is held until somebody has looked."
          label="What you saw"
          button="Hold it"
          kind="stop"
          least={3}
          error={send.error}
          onSend={(why) => say(false, why)}
          onClose={() => setDisagrees(false)}
        />
      ) : null}
    </Card>
  );
}
