import { useCallback, useEffect, useState } from 'react';
import { kv } from '@/api';

interface BenchSetting {
  /** Null: every tool is at hand. */
  readonly toolsAtHand: readonly string[] | null;
  readonly altitudeM: number;
}

const KEY = 'hudrik-bench';
const USUAL: BenchSetting = { toolsAtHand: null, altitudeM: 0 };

/** Tools at hand and the yard's height: a setting of this device. */
export function useWorkplace(): readonly [BenchSetting, (next: BenchSetting) => void] {
  const [bench, setBench] = useState<BenchSetting>(USUAL);
  useEffect(() => {
    void kv.getItem(KEY).then((text) => text && setBench(JSON.parse(text) as BenchSetting));
  }, []);
  const change = useCallback((next: BenchSetting) => {
    setBench(next);
    void kv.setItem(KEY, JSON.stringify(next));
  }, []);
  return [bench, change];
}
