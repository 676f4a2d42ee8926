import type { Mark } from '@hudrik/core/teardown';
import { useState } from 'react';
import { Image, View, type PointerEvent } from 'react-native';
import Svg, { Circle, Line, Polygon, Text } from 'react-native-svg';
import { Button, Choice, Sheet, useInk, Words } from '@/design';
import { usePhotoUri } from '@/photos';

const HEAD = 3.4;

/** Marks over a photo; the drawing is a hundred wide and as high as the photo is. */
function Marks({ marks, height }: { readonly marks: readonly Mark[]; readonly height: number }) {
  const ink = useInk();
  const red = ink('held');
  const paper = ink('paper');
  return (
    <Svg
      width="100%"
      height="100%"
      viewBox={`0 0 100 ${100 * height}`}
      preserveAspectRatio="none"
      style={{ position: 'absolute', left: 0, top: 0 }}
      pointerEvents="none"
    >
      {marks.map((mark, at) => {
        if (mark.kind === 'circle')
          return (
            <Circle
              key={at}
              cx={mark.at[0] * 100}
              cy={mark.at[1] * 100 * height}
              r={Math.max(mark.radius * 100, 2.5)}
              fill="none"
              stroke={red}
              strokeWidth={1.2}
            />
          );
        if (mark.kind === 'number') {
          const [x, y] = [mark.at[0] * 100, mark.at[1] * 100 * height];
          return [
            <Circle key={`${at} disc`} cx={x} cy={y} r={4.6} fill={red} stroke={paper} strokeWidth={0.8} />,
            <Text
              key={`${at} number`}
              x={x}
              y={y + 2.2}
              textAnchor="middle"
              fontSize={6.4}
              fontFamily="BarlowCondensed_600SemiBold"
              fill={paper}
            >
              {mark.number}
            </Text>,
          ];
        }
        const [x1, y1, x2, y2] = [
          mark.from[0] * 100,
          mark.from[1] * 100 * height,
          mark.to[0] * 100,
          mark.to[1] * 100 * height,
        ];
        const turn = Math.atan2(y2 - y1, x2 - x1);
        const side = (by: number): string => `${x2 - HEAD * Math.cos(turn + by)},${y2 - HEAD * Math.sin(turn + by)}`;
        return [
          <Line key={`${at} shaft`} x1={x1} y1={y1} x2={x2} y2={y2} stroke={red} strokeWidth={1.4} />,
          <Polygon
            key={`${at} head`}
            points={`${x2},${y2} ${side(0.5)} ${side(-0.5)}`}
            fill={red}
            stroke={red}
            strokeWidth={0.8}
          />,
        ];
      })}
    </Svg>
  );
}

const USUAL_HEIGHT = 0.75;

/** A photo as high as it is, its marks on it. */
export function MarkedPhoto({
  id,
  marks,
  small = false,
  sentence,
  children,
}: {
  readonly id: string;
  readonly marks: readonly Mark[];
  readonly small?: boolean;
  readonly sentence: string;
  readonly children?: (height: number) => React.ReactNode;
}) {
  const uri = usePhotoUri(id, small);
  const [height, setHeight] = useState(USUAL_HEIGHT);
  return (
    <View className="w-full border border-card-edge bg-tray-deep" style={{ aspectRatio: 1 / height }}>
      <Image
        source={{ uri }}
        accessibilityLabel={sentence}
        className="h-full w-full"
        resizeMode="contain"
        onLoad={(event) => {
          const { width, height: high } = sizeOf(event.nativeEvent);
          if (width > 0) setHeight(high / width);
        }}
      />
      <Marks marks={marks} height={height} />
      {children?.(height)}
    </View>
  );
}

interface WebEvent {
  readonly target?: unknown;
  readonly clientX?: number;
  readonly clientY?: number;
  readonly source?: { readonly width: number; readonly height: number };
}

/** What the web adds to an event of React Native. */
const webOf = (event: object): WebEvent => event;

/** On the web the picture itself says how large it is. */
function sizeOf(event: object): { width: number; height: number } {
  const { source, target } = webOf(event);
  if (source) return source;
  return target instanceof HTMLImageElement
    ? { width: target.naturalWidth, height: target.naturalHeight }
    : { width: 0, height: 0 };
}

const TOOLS = [
  ['arrow', 'Arrow'],
  ['circle', 'Circle'],
  ['number', 'Number'],
] as const;
type Tool = (typeof TOOLS)[number][0];
type Point = readonly [number, number];

/** Drawing marks by finger: drag for an arrow or a circle, tap for the next number; the last one can be taken back. */
export function MarkSheet({
  id,
  marks,
  onKeep,
  onClose,
}: {
  readonly id: string;
  readonly marks: readonly Mark[];
  readonly onKeep: (marks: readonly Mark[]) => void;
  readonly onClose: () => void;
}) {
  const [drawn, setDrawn] = useState<readonly Mark[]>(marks);
  const [tool, setTool] = useState<Tool>('arrow');
  const [from, setFrom] = useState<Point | null>(null);
  const [to, setTo] = useState<Point | null>(null);
  const placeOf = (event: PointerEvent): Point => {
    const { clientX = 0, clientY = 0, target } = webOf(event.nativeEvent);
    const box = target instanceof Element ? target.closest('[role=img]')?.getBoundingClientRect() : undefined;
    return box === undefined ? [0, 0] : [(clientX - box.left) / box.width, (clientY - box.top) / box.height];
  };
  const draft = from && to ? markOf(tool, from, to, drawn) : null;
  const finish = () => {
    if (draft) setDrawn([...drawn, draft]);
    setFrom(null);
    setTo(null);
  };
  return (
    <Sheet title="Mark the photo" open onClose={onClose}>
      <View className="flex-row gap-2">
        {TOOLS.map(([entry, label]) => (
          <Choice key={entry} className="flex-1" label={label} on={tool === entry} onPress={() => setTool(entry)} />
        ))}
      </View>
      <MarkedPhoto id={id} marks={draft ? [...drawn, draft] : drawn} sentence="The photo to mark">
        {() => (
          <View
            role="img"
            aria-label="Draw here"
            className="absolute inset-0"
            style={{ touchAction: 'none', cursor: 'crosshair' } as never}
            onPointerDown={(event) => {
              const at = placeOf(event);
              setFrom(at);
              setTo(at);
            }}
            onPointerMove={(event) => {
              if (from) setTo(placeOf(event));
            }}
            onPointerUp={finish}
            onPointerLeave={finish}
          />
        )}
      </MarkedPhoto>
      <Words size={15} tone="ink-soft">
        {tool === 'number'
          ? 'Tap where the next number goes.'
          : tool === 'arrow'
            ? 'Drag: the arrow points to where you let go.'
            : 'Drag from its middle.'}
      </Words>
      <View className="flex-row gap-2">
        <Button
          className="grow"
          label="Undo the last mark"
          offBecause={drawn.length === 0 ? 'Nothing is drawn.' : null}
          onPress={() => setDrawn(drawn.slice(0, -1))}
        />
        <Button kind="main" className="grow" label="Save the marks" onPress={() => onKeep(drawn)} />
      </View>
    </Sheet>
  );
}

const LEAST = 0.02;

function markOf(tool: Tool, from: Point, to: Point, drawn: readonly Mark[]): Mark | null {
  if (tool === 'number')
    return { kind: 'number', at: to, number: drawn.filter((mark) => mark.kind === 'number').length + 1 };
  const reach = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (reach < LEAST) return null;
  return tool === 'arrow' ? { kind: 'arrow', from, to } : { kind: 'circle', at: from, radius: reach };
}
