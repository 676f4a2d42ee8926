import { View } from 'react-native';

/** Something that is dragged, where it is now: so many pixels from where it was, over a lane. */
export interface Drag {
  readonly id: string;
  readonly lane: string | null;
  readonly dx: number;
}

export interface DragBoardProps {
  readonly children: React.ReactNode;
  /** A push of an arrow key, pixels. */
  readonly step: { readonly x: number; readonly y: number };
  readonly onDrag: (drag: Drag) => void;
  readonly onDrop: (drag: Drag) => void;
  readonly onCancel: () => void;
}

/** Where things are dragged between lanes, by mouse, finger and keyboard. On a device without that they lie still. */
export const DragBoard = ({ children }: DragBoardProps) => <View className="min-w-0">{children}</View>;

export interface DragLaneProps {
  readonly id: string;
  readonly children: React.ReactNode;
  readonly height: number;
}

export const DragLane = ({ children, height }: DragLaneProps) => <View style={{ height }}>{children}</View>;

export interface DraggedProps {
  readonly id: string;
  readonly label: string;
  readonly left: number;
  readonly width: number;
  readonly height: number;
  readonly disabled: boolean;
  readonly onPress: () => void;
  readonly children: React.ReactNode;
}

export const Dragged = ({ left, width, height, label, children }: DraggedProps) => (
  <View aria-label={label} style={{ position: 'absolute', left, width, height }}>
    {children}
  </View>
);
