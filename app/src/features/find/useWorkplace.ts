import { useCallback, useEffect, useState } from 'react';
import { array, number, object, string, type Frozen } from '@hudrik/core/fields';
import type { InferType } from 'yup';
import { kv, readKept, useRead } from '@/api';

const workplace = object({
  /** Null: every tool is at hand. */
  toolsAtHand: array(string().required()).nullable().defined(),
  altitudeM: number().required(),
});
export type WorkplaceSetting = Frozen<InferType<typeof workplace>>;

const KEY = 'hudrik-workplace';
/** What it was called at first. */
const OLD_KEY = 'hudrik-bench';

/** Tools at hand and the height above the sea: a setting of this device; until somebody says otherwise on it, the yard's height. */
export function useWorkplace(): readonly [WorkplaceSetting, (next: WorkplaceSetting) => void] {
  const [setting, setSetting] = useState<WorkplaceSetting | null>(null);
  useEffect(() => {
    void readKept(KEY, workplace)
      .then((kept) => kept ?? readKept(OLD_KEY, workplace))
      .then((kept) => kept && setSetting(kept));
  }, []);
  const change = useCallback((next: WorkplaceSetting) => {
    setSetting(next);
    void kv.setItem(KEY, JSON.stringify(next));
  }, []);
  const altitudeM = useRead('settings').data?.heightM ?? 0;
  return [setting ?? { toolsAtHand: null, altitudeM }, change];
}
