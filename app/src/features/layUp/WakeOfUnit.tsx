import { sentenceOf, useRead } from '@/api';
import { Failure, Loading, Sheet } from '@/design';
import { WakeSheet } from './WakeSheet';

/** A unit that stands is woken from its own page: how it was laid up is looked up. */
export function WakeOfUnit({ tag, onClose }: { readonly tag: string; readonly onClose: () => void }) {
  const { data, error, refetch } = useRead('layUp');
  if (data !== undefined) {
    const method = data.units.find((unit) => unit.tag === tag)?.laidUp?.method ?? null;
    return <WakeSheet tag={tag} method={method} onClose={onClose} />;
  }
  return (
    <Sheet title={`Wake ${tag}`} open onClose={onClose}>
      {error ? <Failure sentence={sentenceOf(error)} retry={() => void refetch()} /> : <Loading what="how it stands" />}
    </Sheet>
  );
}
