import type { ReadingKind } from '@hudrik/core/catalogue';
import { READ_IN } from '@hudrik/core/readings';
import { useEffect, useState } from 'react';
import { kv, usePerson } from '@/api';

const METRIC = new Set(['kPa', 'mm']);
const keyOf = (kind: ReadingKind): string => `hudrik-unit-${kind}`;

/** The unit of a reading: what this device read it in last stands first; before that, what the person is used to. */
export function useUnit(kind: ReadingKind) {
  const all: readonly string[] = READ_IN[kind];
  const { preferences } = usePerson();
  const usual = all.find((unit) => METRIC.has(unit) === (preferences.units === 'metric')) ?? all[0] ?? '';
  const [last, setLast] = useState<string | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  useEffect(() => {
    let left = false;
    void kv.getItem(keyOf(kind)).then((kept) => void (left || setLast(kept)));
    return () => {
      left = true;
    };
  }, [kind]);
  const first = all.find((unit) => unit === last) ?? usual;
  const unit = chosen ?? first;
  return {
    unit,
    units: [first, ...all.filter((one) => one !== first)],
    setUnit: setChosen,
    /** What it was read in is remembered for the next reading of its kind. */
    keep: () => void kv.setItem(keyOf(kind), unit),
  };
}
