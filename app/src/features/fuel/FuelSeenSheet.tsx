import type { UnitFuel } from '@hudrik/core/contracts';
import { useState } from 'react';
import { sentenceOf } from '@/api';
import { Button, Failure, Sheet, Words } from '@/design';
import { useEntry } from '@/outbox';
import { FuelScale } from './FuelScale';
import { sayLevel, sayLitres } from './sayFuelOf';

const EIGHTHS = 8;
/** What one misreads on a scale of eighths. */
const AN_EIGHTH = 1 / EIGHTHS;

/** Somebody looked into the tank: what they saw counts, and what it differs by is said before it is written down. */
export function FuelSeenSheet({ fuel, onClose }: { readonly fuel: UnitFuel; readonly onClose: () => void }) {
  const seen = useEntry('fuel-seen');
  const [fuelEighths, setEighths] = useState<number | null>(null);
  const { level } = fuel;
  const more = fuelEighths === null ? 0 : (fuelEighths / EIGHTHS) * level.holds - level.litres;
  const send = () =>
    fuelEighths !== null && seen.mutate({ facts: { fuelEighths }, on: { tag: fuel.tag } }, { onSuccess: onClose });
  return (
    <Sheet title={`In the tank of ${fuel.tag}`} open onClose={onClose}>
      {seen.isError ? <Failure sentence={sentenceOf(seen.error)} kept="What you chose is still here." /> : null}
      <Words>{`By what was written down ${sayLevel(level)}. How full is it?`}</Words>
      <FuelScale eighths={fuelEighths} onPick={setEighths} />
      {Math.abs(more) > AN_EIGHTH * level.holds ? (
        <Words role="alert" face="strong">
          {more > 0
            ? `${sayLitres(Math.round(more * 10) / 10)} more than was written down: somebody poured it in and did not say. It counts as pump fuel of unknown age.`
            : `${sayLitres(Math.round(-more * 10) / 10)} less than was written down: it was burnt, or is gone.`}
        </Words>
      ) : null}
      <Button
        kind="main"
        tall
        label="Write it down"
        disabled={seen.isPending}
        offBecause={fuelEighths === null ? 'Say how full it is.' : null}
        onPress={send}
      />
    </Sheet>
  );
}
