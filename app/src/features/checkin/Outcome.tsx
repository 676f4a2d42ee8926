import { sayAside, sayLate, type CheckedIn } from '@hudrik/core/log';
import { router } from 'expo-router';
import { Button, Empty, Failure, Page, Words } from '@/design';
import { WORDING } from '@/features/fleet';
import type { Sent } from './leaf';
import { VerdictCard } from './VerdictCard';

/** What became of it: the verdict as the server gave it, or that it waits to be sent. */
export function Outcome({ tag, sent }: { readonly tag: string; readonly sent: Sent }) {
  return (
    <Page>
      {sent.state === 'taken' ? (
        <>
          <Words face="strong" size={22} role="status">
            {whatItCameTo(tag, sent.cameTo)}
          </Words>
          {(sent.cameTo.aside ?? []).map((aside) => (
            <Words key={JSON.stringify(aside)} tone="held" role="note">
              {sayAside(aside)}
            </Words>
          ))}
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

/** Whether it stood as the return; else which of the two looks it was kept as. */
function whatItCameTo(tag: string, { late, secondLookOf, verdict, readiness }: CheckedIn): string {
  if (late) return `Kept as a look of its own time. ${sayLate(late, WORDING)} What it found counts.`;
  if (secondLookOf !== undefined)
    return `Somebody checked ${tag} in before you: yours is kept beside it, and what it found counts.`;
  if (readiness === 'fit') return `Checked in. ${tag} hangs on the wall again.`;
  return verdict.result === 'fit'
    ? `Checked in. ${tag} waits for what was open before.`
    : `Checked in. ${tag} is on the bench list.`;
}
