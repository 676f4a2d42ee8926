import { useCallback, useEffect, useState } from 'react';
import { array, number, object, string, type Frozen } from '@hudrik/core/fields';
import type { InferType } from 'yup';
import { kv, readKept } from '@/api';

const workplace = object({
  /** Null: every tool is at hand. */
  toolsAtHand: array(string().required()).nullable().defined(),
  altitudeM: number().required(),
});
export type WorkplaceSetting = Frozen<InferType<typeof workplace>>;

const KEY = 'hudrik-workplace';
/** What it was called at first. */
const OLD_KEY = 'hudrik-bench';
const USUAL: WorkplaceSetting = { toolsAtHand: null, altitudeM: 0 };

/** Tools at hand and the yard's height: a setting of this device. */
export function useWorkplace(): readonly [WorkplaceSetting, (next: WorkplaceSetting) => void] {
  const [setting, setSetting] = useState<WorkplaceSetting>(USUAL);
  useEffect(() => {
    void readKept(KEY, workplace)
      .then((kept) => kept ?? readKept(OLD_KEY, workplace))
      .then((kept) => kept && setSetting(kept));
  }, []);
  const change = useCallback((next: WorkplaceSetting) => {
    setSetting(next);
    void kv.setItem(KEY, JSON.stringify(next));
  }, []);
  return [setting, change];
}
