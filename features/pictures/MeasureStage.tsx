import { useRef, useState } from 'react';
import { Image, View, type PointerEvent } from 'react-native';
import Svg, { Circle, G, Line, Text as SvgText } from 'react-native-svg';
import type { Point } from '@/core/picture/measure';
import { sizeOf } from '@/core/picture/sizes';
import type { MeasureDraft, Pair } from '@/client/stored/work-drafts';
import { heldPoint } from './measure-work';

/** How many times the magnifier shows the picture larger, and how much finer a finger moves what it holds. */
export const FINER = 4;
/** Across the magnifier, points of the screen. */
const GLASS = 136;
/** An end is taken hold of so near, points of the screen: a glove is no finer. */
export const REACH = 20;

type StageProps = {
  source: string;
  title: string;
  width: number;
  height: number;
  draft: MeasureDraft;
  /** Whether what is held is moved by the arrows, so that it has to be seen without a finger on it. */
  arrows: boolean;
  /** A finger was put down. @returns the place it holds from now on */
  onTap: (point: Point) => Point | null;
  onSlide: (point: Point) => void;
};

/**
 * A photograph with what is measured in it. A tap puts the next end; while the finger stays it slides the end finely, and a
 * magnifier shows what is under it.
 */
export function MeasureStage({ source, title, width, height, draft, arrows, onTap, onSlide }: StageProps) {
  const [isDown, setDown] = useState(false);
  const grip = useRef<{ at: Point; x: number; y: number } | null>(null);
  const down = ({ nativeEvent, currentTarget }: PointerEvent): void => {
    if (nativeEvent.isPrimary === false) return;
    const frame = currentTarget as unknown as HTMLElement;
    const { left, top } = frame.getBoundingClientRect();
    const { clientX: x, clientY: y, pointerId } = nativeEvent;
    const at = onTap([(x - left) / width, (y - top) / width]);
    grip.current = at === null ? null : { at, x, y };
    setDown(true);
    frame.setPointerCapture(pointerId);
  };
  const move = ({ nativeEvent: { clientX, clientY } }: PointerEvent): void => {
    if (grip.current === null) return;
    const { at, x, y } = grip.current;
    onSlide([at[0] + (clientX - x) / FINER / width, at[1] + (clientY - y) / FINER / width]);
  };
  const up = (): void => {
    grip.current = null;
    setDown(false);
  };
  const held = heldPoint(draft);
  return (
    <View
      role="img"
      aria-label={title}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={up}
      // The finger measures here; the page is moved beside the picture.
      style={{ width, height, touchAction: 'none', userSelect: 'none', cursor: 'crosshair' } as object}
      className="overflow-hidden bg-plate"
    >
      <Image
        source={{ uri: source }}
        style={{ width, height, pointerEvents: 'none' } as object}
        resizeMode="stretch"
        accessibilityElementsHidden
      />
      <View style={{ position: 'absolute', left: 0, top: 0, pointerEvents: 'none' }}>
        <Marks draft={draft} width={width} height={height} />
      </View>
      {held !== null && (isDown || arrows) && <Glass source={source} at={held} width={width} height={height} />}
    </View>
  );
}

/** Shows what is measured, drawn dark under light, so that it shows on any metal. */
function Marks({ draft, width, height }: { draft: MeasureDraft; width: number; height: number }) {
  const { scale, check, sizes, held, target } = draft;
  const pairs: { key: string; pair: Pair; name: string; now: boolean; known: boolean }[] = [
    { key: 'scale', pair: scale, name: scale.text, now: target === 'scale', known: true },
    { key: 'check', pair: check, name: check.text, now: target === 'check', known: true },
    ...sizes.map((size, i) => ({
      ...{ key: String(i), pair: size, name: sizeOf(size.id).name, now: target === size.id, known: false },
    })),
  ];
  return (
    <Svg width={width} height={height} aria-hidden>
      {pairs.map(({ key, pair, name, now, known }) => (
        <Mark
          key={key}
          pair={pair}
          name={name}
          now={now}
          known={known}
          width={width}
          holds={String(held?.at) === key ? held!.end : null}
        />
      ))}
    </Svg>
  );
}

type MarkProps = { pair: Pair; name: string; now: boolean; known: boolean; width: number; holds: 'from' | 'to' | null };

function Mark({ pair: { from, to }, name, now, known, width, holds }: MarkProps) {
  const at = (point: Point): { x: number; y: number } => ({ x: point[0] * width, y: point[1] * width });
  const [a, b] = [from === null ? null : at(from), to === null ? null : at(to)];
  const light = known ? '#ffe08a' : '#ffffff';
  return (
    <G opacity={now ? 1 : 0.75}>
      {a !== null && b !== null && (
        <>
          <Line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="#000000" strokeWidth={now ? 5 : 4} />
          <Line
            x1={a.x}
            y1={a.y}
            x2={b.x}
            y2={b.y}
            stroke={light}
            strokeWidth={now ? 2.5 : 1.5}
            strokeDasharray={known ? '7 4' : undefined}
          />
          <Name x={(a.x + b.x) / 2} y={(a.y + b.y) / 2} text={name} />
        </>
      )}
      {[a, b].map((end, i) =>
        end === null ? null : (
          <G key={i}>
            <Circle
              cx={end.x}
              cy={end.y}
              r={holds === (i === 0 ? 'from' : 'to') ? 9 : 5}
              fill="none"
              stroke="#000000"
              strokeWidth={4}
            />
            <Circle
              cx={end.x}
              cy={end.y}
              r={holds === (i === 0 ? 'from' : 'to') ? 9 : 5}
              fill="none"
              stroke={light}
              strokeWidth={2}
            />
          </G>
        ),
      )}
    </G>
  );
}

function Name({ x, y, text }: { x: number; y: number; text: string }) {
  const common = { x: x + 6, y: y - 6, fontSize: 14, fontFamily: 'Barlow_700Bold', children: text };
  return (
    <>
      <SvgText {...common} fill="#000000" stroke="#000000" strokeWidth={4} />
      <SvgText {...common} fill="#ffffff" />
    </>
  );
}

/** Shows what lies under the finger, larger, in the corner that is farther from it. */
function Glass({ source, at: [x, y], width, height }: { source: string; at: Point; width: number; height: number }) {
  const [left, top] = [x > 0.5 ? 8 : width - GLASS - 8, 8];
  const middle = GLASS / 2;
  return (
    <View
      style={{
        position: 'absolute',
        left,
        top,
        width: GLASS,
        height: GLASS,
        borderRadius: middle,
        pointerEvents: 'none',
      }}
      className="overflow-hidden border-4 border-ink bg-ground"
    >
      <Image
        source={{ uri: source }}
        resizeMode="stretch"
        accessibilityElementsHidden
        style={{
          position: 'absolute',
          left: middle - 4 - x * width * FINER,
          top: middle - 4 - y * width * FINER,
          width: width * FINER,
          height: height * FINER,
          maxWidth: 'none' as never,
        }}
      />
      <View style={{ position: 'absolute', left: -4, top: -4 }}>
        <Svg width={GLASS} height={GLASS} aria-hidden>
          {['#000000', '#ffffff'].map((stroke, i) => (
            <G key={stroke} stroke={stroke} strokeWidth={i === 0 ? 3 : 1}>
              <Line x1={middle} y1={12} x2={middle} y2={middle - 7} />
              <Line x1={middle} y1={middle + 7} x2={middle} y2={GLASS - 12} />
              <Line x1={12} y1={middle} x2={middle - 7} y2={middle} />
              <Line x1={middle + 7} y1={middle} x2={GLASS - 12} y2={middle} />
              <Circle cx={middle} cy={middle} r={1} />
            </G>
          ))}
        </Svg>
      </View>
    </View>
  );
}

/** The width and height that a picture is shown in: as wide as there is room, no higher than it may. */
export function useStageSize(aspect: number, mostHeight: number) {
  const [room, setRoom] = useState(0);
  const width = Math.floor(Math.min(room, mostHeight / aspect));
  return {
    width,
    height: Math.round(width * aspect),
    onLayout: ({ nativeEvent }: { nativeEvent: { layout: { width: number } } }) => setRoom(nativeEvent.layout.width),
  };
}
