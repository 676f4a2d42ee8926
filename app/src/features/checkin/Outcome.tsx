import { router } from 'expo-router';
import { Button, Empty, Failure, Page, Words } from '@/design';
import type { Sent } from './leaf';
import { VerdictCard } from './VerdictCard';

/** What became of it: the verdict as the server gave it, or that it waits to be sent. */
export function Outcome({ tag, sent }: { readonly tag: string; readonly sent: Sent }) {
  return (
    <Page>
      {sent.state === 'taken' ? (
        <>
          <Words face="strong" role="status">
            Checked in. {tag}{' '}
            {sent.cameTo.verdict.result === 'fit' ? 'hangs on the wall again.' : 'is on the bench list.'}
          </Words>
          <VerdictCard tag={tag} verdict={sent.cameTo.verdict} />
        </>
      ) : sent.isKept ? (
        <Empty
          sentence={`${tag} is checked in and saved on this device. The yard’s server does not answer just now; it is sent as soon as it does. You can continue.`}
        />
      ) : (
        <Failure
          sentence={`The check-in of ${tag} could not be saved on this device.`}
          kept="It is only in this page. Do not close the page before it is sent."
        />
      )}
      <Button kind="main" tall label="Next return" onPress={() => router.replace('/check-in')} />
      <Button label={`See ${tag}`} onPress={() => router.replace(`/u/${tag}`)} />
      <Button label="To the shift" onPress={() => router.replace('/')} />
    </Page>
  );
}
