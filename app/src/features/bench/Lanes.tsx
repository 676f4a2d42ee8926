import type { BenchReply } from '@hudrik/core/contracts';
import { roundMoney } from '@hudrik/core/money';
import { tryMove, type MoveOutcome } from '@hudrik/core/planning';
import { memo, useCallback, useMemo, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { ReadinessMark, useInk, Words } from '@/design';
import { DragBoard, Dragged, DragLane, type Drag } from '@/design/DragBoard';
import { sayRounded } from '@/features/card';
import { inShifts, joined, laneTimeOf, type LaneTime } from './laneTime';
import { momentOf, nameOf, plannedOf, sayClock, sayLong, type BenchVisit } from './sayBench';
import type { BenchHandle } from './useBench';

const LANE = 92;
const BAR = 52;
/** Waits lie under the bars, so many over each other at the most. */
const WAIT = 9;
const WAIT_ROWS = 3;
const NAMES = 108;
/** What is dragged goes by so many minutes. */
const STEP = 15;

interface Props {
  readonly bench: BenchReply;
  readonly handle: BenchHandle;
  readonly chosen: string | null;
  readonly mayMove: boolean;
  readonly onChoose: (id: string) => void;
}

/** The week as lanes: a lane for each technician, hands-on work solid, what runs by itself hatched, hires as flags. */
export function Lanes({ bench: newest, handle, chosen, mayMove, onChoose }: Props) {
  const [trial, setTrial] = useState<Trial | null>(null);
  // While something is held, nothing moves under the hand: what came meanwhile is shown when it is put down.
  const bench = trial?.bench ?? newest;
  const time = useMemo(() => laneTimeOf(bench), [bench]);
  const last = useRef('');
  const placeOf = useCallback((drag: Drag) => dropOf(bench, time, drag), [bench, time]);
  const onDrag = useCallback(
    (drag: Drag) => {
      const place = placeOf(drag);
      const key = JSON.stringify(place);
      if (place === null || key === last.current) return;
      last.current = key;
      const outcome = tryMove(bench.asked, bench.plan, { visitId: place.visitId, who: place.who, at: place.minute });
      setTrial(outcome && { ...place, outcome, bench });
    },
    [bench, placeOf],
  );
  const end = useCallback(() => {
    last.current = '';
    setTrial(null);
  }, []);
  const onDrop = useCallback(
    (drag: Drag) => {
      end();
      const place = placeOf(drag);
      const visit = bench.visits.find(({ id }) => id === place?.visitId);
      if (place && visit) handle.put(visit, { to: Number(place.who), at: momentOf(bench, place.minute) });
    },
    [bench, end, handle, placeOf],
  );
  return (
    <View className="border-2 border-ink bg-paper">
      <View className="min-h-[44px] justify-center border-b border-line bg-tray px-3" role="status">
        <Words size={15}>{trial ? sayTrial(bench, trial) : HOW}</Words>
      </View>
      <View className="flex-row">
        <Names bench={bench} />
        <ScrollView horizontal tabIndex={0} aria-label="The week" className="flex-1">
          <DragBoard step={{ x: STEP, y: LANE }} onDrag={onDrag} onDrop={onDrop} onCancel={end}>
            <Board bench={bench} time={time} chosen={chosen} mayMove={mayMove} onChoose={onChoose} />
          </DragBoard>
        </ScrollView>
      </View>
    </View>
  );
}

const HOW =
  'Drag a visit to move it, or take it up with Space and move it with the arrows. What it costs is said before it is put down.';

/** So much no lateness costs: the move breaks what somebody set. */
const AGAINST_CENTS = 5_000_000;

interface Put {
  readonly visitId: string;
  readonly who: string;
  readonly minute: number;
}
interface Trial extends Put {
  /** The plan that it was taken up in. */
  readonly bench: BenchReply;
  readonly outcome: MoveOutcome;
}

/** Where something that is dragged would come to lie: a quarter of an hour of somebody's. */
function dropOf(bench: BenchReply, time: LaneTime, { id, lane, dx }: Drag): Put | null {
  const [visitId = ''] = id.split('/');
  const planned = plannedOf(bench, visitId);
  if (planned === undefined || lane === null) return null;
  const moved = time.minuteAt(time.xOf(planned.from) + dx);
  const minute = Math.max(Math.round(moved / STEP) * STEP, bench.minutesSince);
  return planned.who === lane && Math.abs(dx) < 2 ? null : { visitId, who: lane, minute };
}

function sayTrial(bench: BenchReply, { visitId, who, minute, outcome }: Trial): string {
  const tag = (id: string): string => bench.visits.find((visit) => visit.id === id)?.tag ?? '';
  const { cents, later, plan } = outcome;
  const from = plan.visits.find(({ id }) => id === visitId)?.from ?? minute;
  if (cents >= AGAINST_CENTS)
    return `${tag(visitId)} to ${nameOf(bench, who)} at ${sayClock(bench, minute)}: costs what is set by hand, or in hand already.`;
  const money = roundMoney(Math.abs(cents));
  const price = money === 0 ? 'costs nothing' : `${cents < 0 ? 'saves' : 'costs'} about ${sayRounded(money)}`;
  const late = later.map(({ id, byMinutes }) => `${tag(id)} ${sayLong(byMinutes)} later than its hire`);
  const place = `${tag(visitId)} to ${nameOf(bench, who)} at ${sayClock(bench, from)}`;
  return `${place}: ${price}${late.length === 0 ? '' : `; ${late.join(', ')}`}.`;
}

function Names({ bench }: { readonly bench: BenchReply }) {
  return (
    <View style={{ width: NAMES }} className="border-r border-ink">
      <View style={{ height: HEAD }} className="border-b border-ink" />
      {bench.people.map(({ id, name }) => (
        <View key={id} style={{ height: LANE }} className="justify-center border-b border-line px-2">
          <Words face="strong" size={15}>
            {name}
          </Words>
        </View>
      ))}
    </View>
  );
}

const HEAD = 62;

interface BoardProps extends Omit<Props, 'handle'> {
  readonly time: LaneTime;
}

/** All that lies still while one bar is dragged. */
const Board = memo(function Board({ bench, time, chosen, mayMove, onChoose }: BoardProps) {
  return (
    <View style={{ width: time.width }}>
      <Axis bench={bench} time={time} />
      {bench.people.map(({ id }) => (
        <DragLane key={id} id={id} height={LANE}>
          <Shifts bench={bench} time={time} who={id} />
          <Waits bench={bench} time={time} who={id} />
          {barsOf(bench, id)
            .filter(({ from }) => from <= (time.days.at(-1)?.to ?? 0))
            .map(({ visit, from, to }) => (
              <Bar
                key={`${visit.id}/${from}`}
                id={`${visit.id}/${from}`}
                visit={visit}
                label={`${visit.tag}, ${visit.titles.join(', ')}, ${sayClock(bench, from)} to ${sayClock(bench, to)}`}
                left={time.xOf(from)}
                width={Math.max(time.xOf(to) - time.xOf(from) - 2, 6)}
                isLate={(plannedOf(bench, visit.id)?.lateMinutes ?? 0) >= 1}
                isChosen={visit.id === chosen}
                disabled={!mayMove || visit.inHandBy !== null}
                onChoose={onChoose}
              />
            ))}
        </DragLane>
      ))}
    </View>
  );
});

/** The hands-on work of somebody's, visit by visit: what is done without a break between is one bar. */
function barsOf(bench: BenchReply, who: string) {
  const shifts = bench.asked.technicians.find(({ id }) => id === who)?.shifts ?? [];
  return bench.visits.flatMap((visit) => {
    const own = bench.plan.phases.filter((phase) => phase.who === who && phase.visitId === visit.id);
    const spans = joined(own.map(({ from, to }) => [from, to] as const)).flatMap((span) => inShifts(shifts, span));
    return spans.map(([from, to]) => ({ visit, from, to }));
  });
}

interface BarProps {
  readonly id: string;
  readonly visit: BenchVisit;
  readonly label: string;
  readonly left: number;
  readonly width: number;
  readonly isLate: boolean;
  readonly isChosen: boolean;
  readonly disabled: boolean;
  readonly onChoose: (id: string) => void;
}

const Bar = memo(function Bar({ id, visit, label, left, width, isLate, isChosen, disabled, onChoose }: BarProps) {
  const edge = isChosen ? 'border-[3px] border-ink' : isLate ? 'border-2 border-held' : 'border border-card-edge';
  return (
    <Dragged
      id={id}
      label={label}
      left={left}
      width={width}
      height={BAR}
      disabled={disabled}
      onPress={() => onChoose(visit.id)}
    >
      <View className={`h-full justify-center overflow-hidden bg-card px-[3px] ${edge}`} style={{ marginTop: 4 }}>
        {width >= 22 ? (
          <Words face="stencil" size={width >= 34 ? 15 : 13} numberOfLines={1}>
            {width >= 58 ? visit.tag : visit.tag.slice(3)}
          </Words>
        ) : null}
        {width >= 74 ? (
          <Words size={13} numberOfLines={1}>
            {visit.pinnedAt === null ? (visit.titles[0] ?? '') : `⚲ ${visit.titles[0] ?? ''}`}
          </Words>
        ) : null}
      </View>
    </Dragged>
  );
});

function Shifts({ bench, time, who }: { readonly bench: BenchReply; readonly time: LaneTime; readonly who: string }) {
  const shifts = bench.asked.technicians.find(({ id }) => id === who)?.shifts ?? [];
  return (
    <View className="absolute inset-0 border-b border-line bg-tray-deep" aria-hidden>
      {shifts.map(([from, to]) => (
        <View
          key={from}
          className="absolute bottom-0 top-0 bg-paper"
          style={{ left: time.xOf(from), width: Math.max(time.xOf(to) - time.xOf(from), 0) }}
        />
      ))}
    </View>
  );
}

/** What runs by itself, hatched, under the work of who began it. */
function Waits({ bench, time, who }: { readonly bench: BenchReply; readonly time: LaneTime; readonly who: string }) {
  const ink = useInk();
  const own = new Set(bench.plan.visits.filter((visit) => visit.who === who).map(({ id }) => id));
  const waits = bench.plan.phases.filter((phase) => phase.who === null && own.has(phase.visitId));
  const ends: number[] = [];
  return (
    <View aria-hidden>
      {waits.map(({ visitId, phaseId, from, to }) => {
        const free = ends.findIndex((end) => end <= from);
        const row = Math.min(free < 0 ? ends.length : free, WAIT_ROWS - 1);
        ends[row] = to;
        return (
          <View
            key={`${visitId}/${phaseId}`}
            className="absolute border border-ink-soft"
            style={{
              ...hatched(ink('ink-soft')),
              top: BAR + 8 + row * (WAIT + 1),
              height: WAIT,
              left: time.xOf(from),
              width: Math.max(time.xOf(to) - time.xOf(from), 4),
            }}
          />
        );
      })}
    </View>
  );
}

const hatched = (colour: string): object => ({
  backgroundImage: `repeating-linear-gradient(45deg, ${colour} 0 2px, transparent 2px 6px)`,
});

/** The days, and over them a flag for each hire that a visit is for. */
function Axis({ bench, time }: { readonly bench: BenchReply; readonly time: LaneTime }) {
  const flags = bench.visits.filter(({ hire, readiness }) => hire !== null && readiness !== 'fit');
  return (
    <View style={{ height: HEAD }} className="border-b border-ink">
      {time.days.map(({ title, left }) => (
        <Words key={title} face="strong" size={15} className="absolute" style={{ left: left + 6, top: 4 }}>
          {title}
        </Words>
      ))}
      {flags.map(({ id, tag, hire }) => {
        const minute = (Date.parse(hire?.fromAt ?? '') - Date.parse(bench.at)) / 60_000;
        if (minute > (time.days.at(-1)?.to ?? 0)) return null;
        const late = (plannedOf(bench, id)?.lateMinutes ?? 0) >= 1;
        return (
          <View
            key={id}
            className={`absolute flex-row items-center gap-1 border-l-4 pl-1 ${late ? 'border-held' : 'border-out'}`}
            style={{ left: time.xOf(minute), top: 30, height: HEAD - 30 }}
          >
            {late ? <ReadinessMark of="held" size={14} /> : null}
            <Words face="stencil" size={13} tone={late ? 'held' : 'out'}>
              {tag}
            </Words>
          </View>
        );
      })}
    </View>
  );
}
