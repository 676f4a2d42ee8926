import { router } from 'expo-router';
import { View } from 'react-native';
import { sentenceOf } from '@/api';
import { Button, Empty, Failure, Loading, Page, Words } from '@/design';
import { sayFault } from './say';
import type { FindingHandle } from './useFinding';

/** Nothing to show yet: none begun, or it cannot be fetched. */
export function NoFinding({ handle: { error, retry, isNothingOpen } }: { readonly handle: FindingHandle }) {
  if (error)
    return (
      <Page>
        <Failure sentence={sentenceOf(error)} kept="What was seen is kept." retry={retry} />
      </Page>
    );
  return isNothingOpen ? (
    <Page>
      <Empty sentence="Nobody is looking for a fault here. A technician can begin.">
        <Button label="To the bench" onPress={() => router.replace('/bench')} />
      </Empty>
    </Page>
  ) : (
    <Loading what="what was seen" />
  );
}

/** What was found, once it is. */
export function Closed({ handle, tag }: { readonly handle: FindingHandle; readonly tag: string | null }) {
  const jobId = handle.finding?.jobId ?? null;
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {tag ? `${tag}: found` : 'Found'}
      </Words>
      {(handle.finding?.causes ?? []).map((id) => (
        <Words key={id} size={22} role="status">
          {sayFault(id)}
        </Words>
      ))}
      {tag ? <Words>The job says what to do. It holds the unit until the repair is proven.</Words> : null}
      {jobId ? <Button kind="main" tall label="To its card" onPress={() => router.replace(`/j/${jobId}`)} /> : null}
      {tag ? <Button label={`See ${tag}`} onPress={() => router.replace(`/u/${tag}`)} /> : null}
      <NotTaken handle={handle} />
      <Button label="Look again" onPress={() => handle.begin()} />
    </Page>
  );
}

/** What the server would not take, and the way on. */
export function NotTaken({ handle: { finding, goOnInNew } }: { readonly handle: FindingHandle }) {
  const refused = finding?.refused ?? [];
  if (refused.length === 0) return null;
  return (
    <View className="gap-2">
      <Failure
        sentence={
          refused.some((item) => item.problem?.code === 'finding-closed')
            ? 'Somebody closed this finding meanwhile.'
            : 'The server did not take what was seen last.'
        }
        kept={`${refused.length === 1 ? 'One entry made here stays' : `${refused.length} entries made here stay`} on this device.`}
      />
      <Button label="Use them in a new finding" onPress={goOnInNew} />
    </View>
  );
}
