import { router } from 'expo-router';
import { Button, Empty, Page, Words } from '@/design';
import type { Sent } from './leaf';
import { VerdictCard } from './VerdictCard';

/** What became of it: the verdict as kept, or that it waits on this device. */
export function Outcome({ tag, sent }: { readonly tag: string; readonly sent: Sent }) {
  return (
    <Page>
      {'kept' in sent ? (
        <>
          <Words face="strong" role="status">
            Checked in. {tag}{' '}
            {sent.kept.verdict.result === 'fit' ? 'hangs on the wall again.' : 'is on the bench list.'}
          </Words>
          <VerdictCard tag={tag} verdict={sent.kept.verdict as never} />
        </>
      ) : (
        <Empty
          sentence={`${tag} is checked in on this device. The yard’s server does not answer just now; it is sent as soon as it does. You can go on.`}
        />
      )}
      <Button kind="main" tall label="Next return" onPress={() => router.replace('/check-in')} />
      <Button label={`See ${tag}`} onPress={() => router.replace(`/u/${tag}`)} />
      <Button label="To the shift" onPress={() => router.replace('/')} />
    </Page>
  );
}
