import { useVirtualizer, type VirtualItem } from '@tanstack/react-virtual';
import { memo, useCallback, useEffect, useRef, useState, type ReactElement, type ReactNode } from 'react';
import { View } from 'react-native';

type LongListProps<Item> = {
  /** Which list it is: one that was left is found where it stood, as long as nothing new stands at its head. */
  name: string;
  items: readonly Item[];
  /** Returns what makes an item itself, so that it keeps its height when others come before it. */
  keyOf: (item: Item) => string;
  /** Draws an item; the same function from one drawing of the list to the next, or every line is drawn anew. */
  draw: (item: Item) => ReactElement;
  /** About how high a line is, points: what is not measured yet is taken to be so. */
  about: number;
  head: ReactNode;
  /** What stands there while there are no items. */
  none: ReactNode;
  foot: ReactNode;
  /** Called whenever the last line is near. */
  onNearEnd: () => void;
};

/** Where lists were left: the line at their head, how far they were scrolled, how high their lines were. */
const MOST_LEFT = 10;
const left = new Map<string, { first: string | null; headHeight: number; offset: number; measured: VirtualItem[] }>();

/** Lines put up on either side of the screen. */
const OVER = 8;
/** From so many lines before the last on, it is near. */
const NEAR = 20;
const PADDING = 16;
const BOX = { flex: '1 1 0', minHeight: 0, overflowY: 'auto', padding: PADDING } as const;

/**
 * A list of any length, of lines of any height. A line is put up by itself where it comes near the screen and moves no other, so
 * that a finger that flings the list waits for one line and not for many.
 */
export function LongList<Item>(props: LongListProps<Item>) {
  const { name, items, keyOf, draw, about, head, none, foot, onNearEnd } = props;
  const box = useRef<HTMLDivElement>(null);
  const first = items.length === 0 ? null : keyOf(items[0]);
  const [back] = useState(() => (left.get(name)?.first === first ? left.get(name) : undefined));
  const [headHeight, setHeadHeight] = useState(back?.headHeight ?? 0);
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing here is memoized by a compiler
  const lines = useVirtualizer({
    count: items.length,
    getScrollElement: () => box.current,
    estimateSize: () => about,
    getItemKey: useCallback((i: number) => keyOf(items[i]), [items, keyOf]),
    overscan: OVER,
    // A frame is not held up for lines that are off the screen still.
    useFlushSync: false,
    scrollMargin: headHeight + PADDING,
    initialOffset: back?.offset ?? 0,
    initialMeasurementsCache: back?.measured ?? [],
  });
  const shown = lines.getVirtualItems();
  useEffect(
    () => () => {
      const { scrollOffset, measurementsCache: measured } = lines;
      left.delete(name);
      left.set(name, { first, headHeight, offset: scrollOffset ?? 0, measured });
      if (left.size > MOST_LEFT) left.delete(left.keys().next().value!);
    },
    [name, first, headHeight, lines],
  );
  const was = useRef(name);
  useEffect(() => {
    // Another list in the place of this one is read from its head.
    if (was.current !== name) lines.scrollToOffset(0);
    was.current = name;
  }, [name, lines]);
  const last = shown[shown.length - 1]?.index ?? -1;
  const near = items.length > 0 && last >= items.length - NEAR;
  useEffect(() => {
    if (near) onNearEnd();
  }, [near, items, onNearEnd]);
  return (
    <div ref={box} style={BOX}>
      <View onLayout={({ nativeEvent }) => setHeadHeight(nativeEvent.layout.height)}>{head}</View>
      {items.length === 0 && none}
      <div data-testid="long-list" style={{ position: 'relative', flex: 'none', height: lines.getTotalSize() }}>
        {shown.map(({ key, index, start }) => (
          <div
            key={key}
            ref={lines.measureElement}
            data-index={index}
            style={{ ...ALONE, top: start - lines.options.scrollMargin }}
          >
            <Line item={items[index]} draw={draw} />
          </div>
        ))}
      </div>
      {foot}
    </div>
  );
}

/** What is in a line moves nothing outside of it: the browser need not look at the others when one is put in. */
const ALONE = { position: 'absolute', left: 0, right: 0, paddingTop: 8, contain: 'layout style' } as const;

const Line = memo(function Line<Item>({ item, draw }: { item: Item; draw: (item: Item) => ReactElement }) {
  return draw(item);
}) as <Item>(props: { item: Item; draw: (item: Item) => ReactElement }) => ReactElement;
