import type { Proof } from '@hudrik/core/proof';
import { router } from 'expo-router';
import { Button, Page, Words } from '@/design';

/** What became of a proof that is over. */
export function ProofEnded({
  tag,
  proof,
  passed,
}: {
  readonly tag: string;
  readonly proof: Proof;
  readonly passed: boolean;
}) {
  return (
    <Page>
      <Words role="heading" aria-level={1} size={32} face="strong">
        {passed ? `${tag}: proven.` : `${tag}: this visit is over.`}
      </Words>
      {passed ? (
        <Words role="status">{`${proof.asksRun ? `${proof.minutesRun} minutes run. ` : ''}What it was on the bench for is closed.`}</Words>
      ) : null}
      <Button kind="main" tall label={`See ${tag}`} onPress={() => router.replace(`/u/${tag}`)} />
    </Page>
  );
}
