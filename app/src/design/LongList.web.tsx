import { nth } from '@hudrik/core/typed';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { LongListProps } from './LongList';

const OVERSCAN = 8;
const NEAR_END = 5;

/** A list of any length, and the page round it: only rows near the window are made. On paper all of them are. */
export function LongList<T>(props: LongListProps<T>) {
  const { items, keyOf, label, header, footer, estimate, className = '', contentClassName = '', onEnd } = props;
  const scroller = useRef<HTMLDivElement>(null);
  const head = useRef<HTMLDivElement>(null);
  const [top, setTop] = useState(0);
  const isPrinting = usePrinting();
  // Its functions are asked anew at each rendering: that is how it works.
  // oxlint-disable-next-line react/incompatible-library
  const virtualizer = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => estimate,
    getItemKey: (at) => keyOf(nth(items, at)),
    overscan: OVERSCAN,
    scrollMargin: top,
  });
  const rows = virtualizer.getVirtualItems();
  // The header may grow or shrink: the list begins below it.
  useEffect(() => {
    if (head.current === null) return;
    const watch = new ResizeObserver(([entry]) => setTop(entry?.contentRect.height ?? 0));
    watch.observe(head.current);
    return () => watch.disconnect();
  }, []);
  const lastShown = rows.at(-1)?.index ?? -1;
  useEffect(() => {
    if (items.length > 0 && lastShown >= items.length - NEAR_END) onEnd?.();
  }, [lastShown, items.length, onEnd]);
  return (
    <div ref={scroller} className={`min-h-0 flex-1 overflow-y-auto ${className}`} style={{ position: 'relative' }}>
      <div className={contentClassName}>
        <div ref={head}>{header}</div>
        {items.length === 0 ? null : isPrinting ? (
          <All {...props} />
        ) : (
          <div role="list" aria-label={label} style={{ position: 'relative', height: virtualizer.getTotalSize() }}>
            {rows.map((row) => (
              <div
                key={row.key}
                ref={virtualizer.measureElement}
                data-index={row.index}
                role="listitem"
                aria-setsize={items.length}
                aria-posinset={row.index + 1}
                style={{
                  position: 'absolute',
                  left: 0,
                  right: 0,
                  top: 0,
                  transform: `translateY(${row.start - top}px)`,
                }}
              >
                {props.render(nth(items, row.index))}
              </div>
            ))}
          </div>
        )}
        {footer}
      </div>
    </div>
  );
}

function All<T>({ items, keyOf, render, label }: LongListProps<T>) {
  return (
    <div role="list" aria-label={label}>
      {items.map((item) => (
        <div key={keyOf(item)} role="listitem">
          {render(item)}
        </div>
      ))}
    </div>
  );
}

function usePrinting(): boolean {
  const [isPrinting, setIsPrinting] = useState(false);
  useEffect(() => {
    const begin = () => flushSync(() => setIsPrinting(true));
    const end = () => setIsPrinting(false);
    window.addEventListener('beforeprint', begin);
    window.addEventListener('afterprint', end);
    return () => {
      window.removeEventListener('beforeprint', begin);
      window.removeEventListener('afterprint', end);
    };
  }, []);
  return isPrinting;
}
