import { useRead } from '@/api';
import { Words } from '@/design';
import { sayFuelState, sayLevel } from './sayFuelOf';

/** What is in a unit's tank, in one sentence; nothing while it is not known. */
export function FuelLine({ tag }: { readonly tag: string }) {
  const { data } = useRead('unitFuel', { params: { tag } });
  if (data === undefined) return null;
  const isStale = data.state?.isStale ?? false;
  return (
    <Words size={15} face={isStale ? 'strong' : 'text'} tone={isStale ? 'held' : 'ink-soft'}>
      {`By what was written down ${sayLevel(data.level)}. ${sayFuelState(data)}`}
    </Words>
  );
}
