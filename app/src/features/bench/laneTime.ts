import type { BenchReply } from '@hudrik/core/contracts';
import { sayAs } from '@/writing';

const MINUTE_MS = 60_000;
/** Before the first shift of a day and after the last one. */
const EDGE = 30;
const PIXELS_PER_MINUTE = 1.6;
/** A night, or days on which nobody works, pixels. */
const NIGHT = 26;
/** So many days on which somebody works are drawn. */
const DAYS = 6;

type Span = readonly [from: number, to: number];

/** What of a stretch lies in shifts: work stops over a break and a night. */
export const inShifts = (shifts: readonly Span[], [from, to]: Span): Span[] =>
  shifts.map(([begin, end]): Span => [Math.max(begin, from), Math.min(end, to)]).filter(([begin, end]) => end > begin);

/** Stretches of which one begins where the one before it ends are one. */
export function joined(spans: readonly Span[]): Span[] {
  return [...spans]
    .sort(([a], [b]) => a - b)
    .reduce<Span[]>((all, [from, to]) => {
      const last = all.at(-1);
      return last !== undefined && from - last[1] < 1 ? [...all.slice(0, -1), [last[0], to]] : [...all, [from, to]];
    }, []);
}

interface LaneDay {
  readonly title: string;
  readonly from: number;
  readonly to: number;
  readonly left: number;
  readonly width: number;
}

/** Time as it is drawn: working days side by side, nights folded away. Minutes count from the plan's beginning. */
export interface LaneTime {
  readonly days: readonly LaneDay[];
  readonly width: number;
  readonly xOf: (minute: number) => number;
  readonly minuteAt: (x: number) => number;
  readonly instant: (minute: number) => string;
}

type Shifts = Pick<BenchReply, 'at'> & { readonly asked: Pick<BenchReply['asked'], 'technicians'> };

/** The days of a plan. In: when it was made, who works when. Where nobody works at all: one day of nothing. */
export function laneTimeOf({ at, asked }: Shifts): LaneTime {
  const instant = (minute: number): string => new Date(Date.parse(at) + minute * MINUTE_MS).toISOString();
  const byDay = new Map<string, { from: number; to: number }>();
  for (const { shifts } of asked.technicians)
    for (const [from, to] of shifts) {
      const day = sayAs(instant(from), 'EEE d MMM');
      const was = byDay.get(day);
      byDay.set(day, { from: Math.min(was?.from ?? from, from), to: Math.max(was?.to ?? to, to) });
    }
  const open = [...byDay.entries()].sort(([, a], [, b]) => a.from - b.from).slice(0, DAYS);
  let left = 0;
  const days = (open.length === 0 ? [[sayAs(at, 'EEE d MMM'), { from: 0, to: 0 }] as const] : open).map(
    ([title, { from, to }]): LaneDay => {
      const day = { title, from: Math.max(from - EDGE, 0), to: to + EDGE, left };
      const width = (day.to - day.from) * PIXELS_PER_MINUTE;
      left += width + NIGHT;
      return { ...day, width };
    },
  );
  return { days, width: left, instant, xOf: (minute) => xOf(days, minute), minuteAt: (x) => minuteAt(days, x) };
}

function xOf(days: readonly LaneDay[], minute: number): number {
  const at = Math.max(
    days.findLastIndex(({ from }) => from <= minute),
    0,
  );
  const day = days[at];
  if (day === undefined) return 0;
  if (minute <= day.to) return day.left + Math.max(minute - day.from, 0) * PIXELS_PER_MINUTE;
  const next = days[at + 1];
  const share = next === undefined ? 1 : (minute - day.to) / (next.from - day.to);
  return day.left + day.width + Math.min(share, 1) * NIGHT;
}

function minuteAt(days: readonly LaneDay[], x: number): number {
  const day =
    days[
      Math.max(
        days.findLastIndex(({ left }) => left <= x),
        0,
      )
    ];
  if (day === undefined) return 0;
  return Math.min(day.from + Math.max(x - day.left, 0) / PIXELS_PER_MINUTE, day.to);
}
