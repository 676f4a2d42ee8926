import type { CardReply } from '@hudrik/core/contracts';
import { systemsSaid } from '@hudrik/core/log';
import type { Proof } from '@hudrik/core/proof';
import { router } from 'expo-router';
import { useState } from 'react';
import { useSigns } from '@/api';
import { Button, Section, Words } from '@/design';
import { sayMissing } from '@/features/fleet/sayMissing';
import { SignSheet } from './SignSheet';
import type { CardHandle } from './useCard';

interface Props {
  readonly handle: CardHandle;
  readonly proof: Proof;
  readonly reply: CardReply;
  readonly jobId: string;
}

/** How a proof ends: signed with all that it is about in sight, failed, or broken off. */
export function ProofEnd({ handle, proof, reply, jobId }: Props) {
  const [signing, setSigning] = useState(false);
  const signs = useSigns();
  if (handle.pending.some((item) => item.kind === 'proved' && item.state !== 'refused')) return <OnThisDevice />;
  const stopRun = () => {
    if (proof.runningSince !== null) handle.add('run-stopped', { why: '' });
  };
  return (
    <Section title="Result">
      {proof.missing.length > 0 ? (
        <Words size={15}>{`Still needed before it passes: ${proof.missing.map(sayMissing).join('; ')}.`}</Words>
      ) : null}
      {proof.unproved.length > 0 ? (
        <Words
          size={15}
          role="note"
        >{`Not proved, for want of a load: ${proof.unproved.map(sayMissing).join('; ')}. Whoever hands it out sees that.`}</Words>
      ) : null}
      {signs ? (
        <>
          <Button
            kind={proof.missing.length === 0 ? 'main' : 'plain'}
            tall
            label="Passed"
            offBecause={
              proof.missing.length > 0
                ? 'Not before all of that is there.'
                : handle.card && systemsSaid({ card: handle.card })
                  ? 'Say first what each thing belongs to.'
                  : null
            }
            onPress={() => setSigning(true)}
          />
          <Button
            kind="stop"
            label="Failed: find the fault again"
            onPress={() => {
              stopRun();
              handle.add('proved', { passed: false, note: '', looks: [] });
              router.navigate(`/u/${reply.unit.tag}/find`);
            }}
          />
        </>
      ) : (
        <AskForSignature handle={handle} isThrough={proof.missing.length === 0} />
      )}
      <Button
        kind="quiet"
        label="Back to the work"
        onPress={() => {
          stopRun();
          handle.add('back-to-work', { why: '' });
          router.navigate(`/j/${jobId}`);
        }}
      />
      {signing ? (
        <SignSheet
          handle={handle}
          proof={proof}
          reply={reply}
          onSign={(signed, photos) => {
            stopRun();
            handle.add('proved', { passed: true, ...signed }, { photos });
            setSigning(false);
          }}
          onClose={() => setSigning(false)}
        />
      ) : null}
    </Section>
  );
}

/** Said without a connection: the server has not taken it yet, and what it says counts. */
const OnThisDevice = () => (
  <Section title="Result">
    <Words role="status" size={22} face="strong">
      Kept on this device.
    </Words>
    <Words>It counts once it is sent: the unit stays on the bench until then. You can leave this page.</Words>
  </Section>
);

function AskForSignature({ handle, isThrough }: { readonly handle: CardHandle; readonly isThrough: boolean }) {
  const asked = handle.card?.signatureAsked ?? null;
  if (asked) return <Words role="status">The signature is asked for. A technician sees it on Shift.</Words>;
  return (
    <>
      <Words>A technician or the lead must sign.</Words>
      <Button
        kind={isThrough ? 'main' : 'plain'}
        tall
        label="Ask for the signature"
        offBecause={isThrough ? null : 'When all that is needed is there.'}
        onPress={() => handle.add('signature-asked', { note: '' })}
      />
    </>
  );
}
