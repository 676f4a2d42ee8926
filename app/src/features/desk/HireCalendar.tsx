import { CLASS_IDS, type ClassId } from '@hudrik/core/catalogue';
import { CLASS_TAGS } from '@hudrik/core/classTags';
import type { CalendarHire, CalendarUnit, HireCalendar as Calendar } from '@hudrik/core/contracts';
import { useState } from 'react';
import { Pressable, View, type LayoutChangeEvent } from 'react-native';
import { Choice, ReadinessMark, useInk, useIsWide, Words } from '@/design';
import { sayAs } from '@/writing';
import { labelOf } from './sayHire';

const DAY_MS = 86_400_000;
const NAMES = 92;
/** A bar in it is 44 high: wide enough for a glove. */
const ROW = 50;

interface Props {
  readonly calendar: Calendar;
  readonly onChoose: (reference: string) => void;
}

/** The next days by class and unit: solid what a unit is booked for, hatched what the sum gave it; on top what has no unit. */
export function HireCalendar({ calendar, onChoose }: Props) {
  const wide = useIsWide();
  const [width, setWidth] = useState(0);
  const classes = CLASS_IDS.filter((id) => calendar.units.some(({ classId }) => classId === id));
  const [chosen, setChosen] = useState<ClassId | null>(null);
  const shown = chosen ?? mostWanted(calendar, classes);
  const days = wide ? 14 : 7;
  const line: Line = {
    now: Date.parse(calendar.now),
    from: startOfDay(calendar.now),
    days,
    width: Math.max(width - NAMES, 0),
  };
  return (
    <View className="gap-3" onLayout={(event: LayoutChangeEvent) => setWidth(event.nativeEvent.layout.width)}>
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="Class">
        {classes.map((id) => (
          <Choice
            key={id}
            className="grow"
            label={CLASS_TAGS[id].name}
            on={id === shown}
            onPress={() => setChosen(id)}
          />
        ))}
      </View>
      <View className="border-2 border-ink bg-paper">
        <Days line={line} />
        <OpenRow calendar={calendar} classId={shown} line={line} onChoose={onChoose} />
        {calendar.units
          .filter(({ classId }) => classId === shown)
          .map((unit) => (
            <UnitRow key={unit.tag} unit={unit} hires={calendar.hires} line={line} onChoose={onChoose} />
          ))}
      </View>
      <Words size={15} tone="ink-soft">
        Solid: booked with that unit. Hatched: given by the sum, and may change. ▲: its next service falls due.
      </Words>
    </View>
  );
}

/** The class of which most has no unit, else of which most is booked. */
function mostWanted({ hires }: Calendar, classes: readonly ClassId[]): ClassId {
  const weight = (id: ClassId): number =>
    hires.filter(({ classId }) => classId === id).reduce((sum, { tag }) => sum + (tag === null ? 100 : 1), 0);
  return classes.reduce((most, id) => (weight(id) > weight(most) ? id : most), classes[0] ?? CLASS_IDS[0]);
}

const startOfDay = (now: string): number =>
  Date.parse(now) - (Number(sayAs(now, 'H')) * 60 + Number(sayAs(now, 'm'))) * 60_000;

interface Line {
  readonly now: number;
  readonly from: number;
  readonly days: number;
  readonly width: number;
}

const xOf = ({ from, days, width }: Line, at: number): number =>
  Math.min(Math.max((at - from) / (days * DAY_MS), 0), 1) * width;

function Days({ line }: { readonly line: Line }) {
  return (
    <View className="flex-row border-b-2 border-ink" style={{ paddingLeft: NAMES }} aria-hidden>
      {Array.from({ length: line.days }, (_, day) => line.from + day * DAY_MS + DAY_MS / 2).map((at, nth) => (
        <View key={at} className={nth === 0 ? '' : 'border-l border-line'} style={{ width: line.width / line.days }}>
          <Words size={13} className="pl-1" numberOfLines={1}>
            {sayAs(at, line.width / line.days > 52 ? 'EEE d' : 'EEEEE d')}
          </Words>
        </View>
      ))}
    </View>
  );
}

interface RowProps {
  readonly line: Line;
  readonly onChoose: (reference: string) => void;
}

function OpenRow({
  calendar,
  classId,
  line,
  onChoose,
}: RowProps & { readonly calendar: Calendar; readonly classId: ClassId }) {
  const open = calendar.hires.filter((hire) => hire.classId === classId && hire.tag === null);
  return open.map((hire) => (
    <View key={hire.reference} className="flex-row border-b border-line bg-tray">
      <View style={{ width: NAMES, height: ROW }} className="justify-center px-2">
        <Words face="strong" size={13} tone="held">
          no unit
        </Words>
      </View>
      <View className="flex-1">
        <Bar hire={hire} line={line} onChoose={onChoose} />
      </View>
    </View>
  ));
}

function UnitRow({
  unit,
  hires,
  line,
  onChoose,
}: RowProps & { readonly unit: CalendarUnit; readonly hires: readonly CalendarHire[] }) {
  const due = unit.dueInDays === null ? null : line.now + unit.dueInDays * DAY_MS;
  return (
    <View className="flex-row border-b border-line">
      <View style={{ width: NAMES, height: ROW }} className="flex-row items-center gap-2 px-2">
        <ReadinessMark of={unit.readiness} size={16} />
        <Words face="stencil" size={15}>
          {unit.tag}
        </Words>
      </View>
      <View className="flex-1">
        {hires
          .filter(({ tag }) => tag === unit.tag)
          .map((hire) => (
            <Bar key={hire.reference} hire={hire} line={line} onChoose={onChoose} />
          ))}
        {due !== null && due < line.from + line.days * DAY_MS ? (
          <Words
            size={13}
            className="absolute"
            style={{ left: Math.max(xOf(line, due) - 6, 0), bottom: 0 }}
            aria-hidden
          >
            ▲
          </Words>
        ) : null}
      </View>
    </View>
  );
}

function Bar({ hire, line, onChoose }: RowProps & { readonly hire: CalendarHire }) {
  const ink = useInk();
  const [left, right] = [xOf(line, Date.parse(hire.fromAt)), xOf(line, Date.parse(hire.toAt))];
  if (right <= left) return null;
  const look =
    hire.tag === null
      ? 'border-2 border-held bg-paper'
      : hire.isOwn
        ? 'border border-card-edge bg-card'
        : 'border border-out';
  const hatch = {
    backgroundImage: `repeating-linear-gradient(45deg, ${ink('card-deep')} 0 4px, ${ink('paper')} 4px 8px)`,
  };
  return (
    <Pressable
      role="button"
      aria-label={labelOf(hire)}
      onPress={() => onChoose(hire.reference)}
      className={`absolute justify-center overflow-hidden px-1 ${look}`}
      style={{
        left,
        width: Math.max(right - left - 1, 10),
        top: 3,
        height: ROW - 6,
        ...(hire.tag !== null && !hire.isOwn ? (hatch as object) : {}),
      }}
    >
      <Words size={13} face="strong" numberOfLines={1}>
        {`${hire.overruns ? '⚠ ' : ''}${hire.reference}`}
      </Words>
    </Pressable>
  );
}
