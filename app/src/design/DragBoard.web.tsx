import {
  DndContext,
  KeyboardCode,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type CollisionDetection,
  type DragEndEvent,
  type DragMoveEvent,
} from '@dnd-kit/core';
import { useCallback, useMemo, useRef } from 'react';
import type { Drag, DragBoardProps, DraggedProps, DragLaneProps } from './DragBoard';

/** So far a mouse moves before it drags: less is a click. */
const CLICK_PIXELS = 6;
/** So long a finger rests before it drags: less is a scroll. */
const REST_MS = 250;

const dragOf = ({ active, over, delta }: DragMoveEvent | DragEndEvent): Drag => ({
  id: String(active.id),
  lane: over === null ? null : String(over.id),
  dx: delta.x,
});

/** The lane whose middle is nearest in height: across, all lanes are one. */
const nearestLane: CollisionDetection = ({ droppableContainers, collisionRect }) => {
  const middle = collisionRect.top + collisionRect.height / 2;
  const far = (rect: DOMRect | { top: number; height: number } | null): number =>
    rect === null ? Infinity : Math.abs(rect.top + rect.height / 2 - middle);
  return [...droppableContainers]
    .sort((a, b) => far(a.rect.current) - far(b.rect.current))
    .map((container) => ({ id: container.id }));
};

export function DragBoard({ children, step, onDrag, onDrop, onCancel }: DragBoardProps) {
  const keyboard = useMemo(() => ({ coordinateGetter: stepsOf(step) }), [step]);
  const sensors = useSensors(
    useSensor(MouseSensor, MOUSE),
    useSensor(TouchSensor, TOUCH),
    useSensor(KeyboardSensor, keyboard),
  );
  // A move that was on its way when something was put down is told after it: it counts no more.
  const held = useRef(false);
  const take = useCallback(() => {
    held.current = true;
  }, []);
  const move = useCallback(
    (event: DragMoveEvent) => {
      if (held.current) onDrag(dragOf(event));
    },
    [onDrag],
  );
  const end = useCallback(
    (event: DragEndEvent) => {
      held.current = false;
      onDrop(dragOf(event));
    },
    [onDrop],
  );
  const cancel = useCallback(() => {
    held.current = false;
    onCancel();
  }, [onCancel]);
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={nearestLane}
      autoScroll={false}
      accessibility={SPOKEN}
      onDragStart={take}
      onDragMove={move}
      onDragEnd={end}
      onDragCancel={cancel}
    >
      {children}
    </DndContext>
  );
}

const MOUSE = { activationConstraint: { distance: CLICK_PIXELS } };
const TOUCH = { activationConstraint: { delay: REST_MS, tolerance: CLICK_PIXELS } };
const SPOKEN = {
  screenReaderInstructions: {
    draggable:
      'Space takes it up; the arrows move it along the day and to another lane; Space again puts it down, Escape puts it back.',
  },
};

interface Stepping {
  readonly currentCoordinates: { readonly x: number; readonly y: number };
  readonly context: { scrollableAncestors: Element[] };
}

const stepsOf =
  ({ x, y }: DragBoardProps['step']) =>
  (event: KeyboardEvent, { currentCoordinates: at, context }: Stepping) => {
    const moves: Readonly<Record<string, readonly [number, number]>> = {
      [KeyboardCode.Right]: [x, 0],
      [KeyboardCode.Left]: [-x, 0],
      [KeyboardCode.Down]: [0, y],
      [KeyboardCode.Up]: [0, -y],
    };
    const moved = moves[event.code];
    if (moved === undefined) return undefined;
    event.preventDefault();
    // The package would push the board along under what is held where it can, and say nothing of a move.
    context.scrollableAncestors = [];
    return { x: at.x + moved[0], y: at.y + moved[1] };
  };

export function DragLane({ id, children, height }: DragLaneProps) {
  const { setNodeRef } = useDroppable({ id });
  return (
    <div ref={setNodeRef} style={{ position: 'relative', height }}>
      {children}
    </div>
  );
}

export function Dragged({ id, label, left, width, height, disabled, onPress, children }: DraggedProps) {
  const { setNodeRef, listeners, attributes, transform, isDragging } = useDraggable({ id, disabled });
  const place = { position: 'absolute', left, width, height, cursor: disabled ? 'pointer' : 'grab' } as const;
  const moved = transform ? { transform: `translate3d(${transform.x}px, ${transform.y}px, 0)` } : {};
  return (
    <div
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      role="button"
      tabIndex={0}
      aria-label={label}
      aria-roledescription={undefined}
      onClick={onPress}
      style={{ ...place, ...moved, zIndex: isDragging ? 10 : 1, touchAction: 'manipulation' }}
    >
      {children}
    </div>
  );
}
