import { slipsOf } from '@hudrik/core/log';
import { usePerson } from '@/api';
import { Button } from '@/design';
import { useServerNow } from '@/features/clocks';
import { sayEntry } from './say';
import type { CardHandle } from './useCard';

/** A slip of the thumb: within a minute, whoever gave an answer takes it back. */
export function TakeBack({ handle }: { readonly handle: CardHandle }) {
  const { name } = usePerson();
  const now = useServerNow(1000);
  const slip = slipsOf({ entries: handle.entries, at: new Date(now).toISOString(), by: name }).at(-1);
  if (slip === undefined) return null;
  return (
    <Button
      kind="quiet"
      className="self-start"
      label={`Take back: ${sayEntry(slip, handle.card).toLowerCase()}`}
      onPress={() => handle.add('answer-taken-back', { entryId: slip.id })}
    />
  );
}
