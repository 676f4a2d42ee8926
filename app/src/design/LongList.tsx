import { FlatList, View } from 'react-native';

export interface LongListProps<T> {
  readonly items: readonly T[];
  readonly keyOf: (item: T) => string;
  readonly render: (item: T) => React.ReactNode;
  /** What the list is of, read out. */
  readonly label: string;
  readonly header?: React.ReactNode;
  readonly footer?: React.ReactNode;
  /** Height of a row before it was seen, pixels. */
  readonly estimate: number;
  readonly className?: string;
  readonly contentClassName?: string;
  /** Its end came into view. */
  readonly onEnd?: () => void;
}

const AT_FIRST = 40;

/** A list of any length, and the page round it: only rows near the window are made. */
export function LongList<T>({ items, keyOf, render, label, header, footer, className, onEnd }: LongListProps<T>) {
  return (
    <FlatList
      data={[...items]}
      keyExtractor={keyOf}
      renderItem={({ item }) => <View role="listitem">{render(item)}</View>}
      aria-label={label}
      ListHeaderComponent={<>{header}</>}
      ListFooterComponent={<>{footer}</>}
      initialNumToRender={AT_FIRST}
      {...(className ? { className } : {})}
      {...(onEnd ? { onEndReached: onEnd } : {})}
    />
  );
}
