import type { Opening } from '@hudrik/core/contracts';
import { router } from 'expo-router';
import { useState } from 'react';
import { Refused, sentenceOf, useRead } from '@/api';
import { Button, Empty, Failure, Loading, Page, Readiness, Words } from '@/design';
import { useServerNow } from '@/features/clocks';
import { sayNotBefore, sayReadiness } from '@/features/fleet';
import { sayTime } from '@/writing';
import { CheckOutForm, type HandedOut } from './CheckOutForm';

/** Handing a unit out: yes, or no and why. Short: what goes along, hours, fuel, last looks. */
export function CheckOutScreen({ tag }: { readonly tag: string }) {
  const opening = useRead('opening', { params: { tag } });
  const [done, setDone] = useState<HandedOut | null>(null);
  if (done) return <Done tag={tag} done={done} />;
  if (opening.error instanceof Refused)
    return (
      <Page>
        <Empty sentence={sentenceOf(opening.error)} />
      </Page>
    );
  if (!opening.data)
    return opening.isError ? (
      <Failure sentence={`${tag} cannot be fetched just now.`} retry={() => void opening.refetch()} />
    ) : (
      <Loading what={tag} />
    );
  const { readiness } = opening.data.verdict;
  if (readiness !== 'fit' && readiness !== 'prep') return <No opening={opening.data} />;
  return <CheckOutForm opening={opening.data} onDone={setDone} />;
}

function No({ opening }: { readonly opening: Opening }) {
  const now = useServerNow();
  return (
    <Page>
      <Words face="stencil" size={56} role="heading" aria-level={1}>
        {opening.tag}
      </Words>
      <Readiness of={opening.verdict.readiness} size={30} />
      <Words size={22} face="strong">
        No. {sayReadiness(opening.verdict)}
      </Words>
      <Words size={17}>{sayNotBefore(opening, new Date(now))}</Words>
      {opening.verdict.because.slice(1).map((reason) => (
        <Words key={reason}>{reason}</Words>
      ))}
      {opening.verdict.readiness === 'laid-up' ? (
        <Button kind="main" label="See how to wake it" onPress={() => router.navigate('/lay-up')} />
      ) : null}
      <Button label={`See ${opening.tag}`} onPress={() => router.replace(`/u/${opening.tag}`)} />
    </Page>
  );
}

function Done({ tag, done }: { readonly tag: string; readonly done: HandedOut }) {
  return (
    <Page>
      <Words face="stencil" size={56} role="heading" aria-level={1}>
        {tag}
      </Words>
      {done.cameTo ? (
        <Words size={22} face="strong" role="status">
          Out on {done.cameTo.reference}, due back {sayTime(done.cameTo.dueAt)}.
        </Words>
      ) : (
        <Failure
          sentence="The yard’s server has not confirmed this yet."
          kept={`${done.isKept ? 'It is saved on this device and sent as soon as the server answers.' : 'It could not be saved on this device: do not close this page before it is sent.'} Before you let ${tag} go, make sure that nobody found a fault on it meanwhile.`}
        />
      )}
      <Button kind="main" tall label="To the shift" onPress={() => router.replace('/')} />
      <Button label="See the hires" onPress={() => router.replace('/hires')} />
    </Page>
  );
}
