import { TZDate } from '@date-fns/tz';
import type { Settings } from '@hudrik/core/contracts';
import { formatMoney } from '@hudrik/core/figures';
import { format } from 'date-fns/format';

/** How this yard writes on paper: its money, and times of its place. */
export const writingOf = (settings: Settings) => ({
  money: (cents: number): string => formatMoney(cents, settings),
  day: (instant: string): string => format(new TZDate(instant, settings.timeZone), 'yyyy-MM-dd HH:mm'),
});
