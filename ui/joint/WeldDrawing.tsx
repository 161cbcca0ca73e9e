import { Pressable, View } from 'react-native';
import Svg, { Line, Path, Rect } from 'react-native-svg';
import type { WeldForm } from '@/core/inspection/measures';
import { useChartInks } from '../use-ink';
import { Words } from '../Words';

/** A place of the drawing where something is measured: its short name, where its tag stands and where its line ends. */
type Place = { name: string; tag: [x: number, y: number]; at: [x: number, y: number] };

/** In drawing units, which are those of the screen. */
const [W, H] = [340, 254];
const TAG = { width: 96, height: 56 };

/** Where each measure is taken on a fillet and on a butt. */
export const PLACES: Record<WeldForm, { [measure in string]?: Place }> = {
  fillet: {
    legUprightMm: { name: 'Upright leg', tag: [0, 30], at: [129, 116] },
    undercutMm: { name: 'Undercut', tag: [0, 98], at: [129, 85] },
    throatMm: { name: 'Throat', tag: [236, 46], at: [148, 144] },
    overlapMm: { name: 'Overlap', tag: [240, 112], at: [211, 167] },
    legFlatMm: { name: 'Flat leg', tag: [122, 197], at: [170, 168] },
  },
  butt: {
    widthMm: { name: 'Width', tag: [0, 0], at: [124, 112] },
    capMm: { name: 'Cap', tag: [122, 0], at: [170, 95] },
    undercutMm: { name: 'Undercut', tag: [244, 0], at: [219, 113] },
    overlapMm: { name: 'Overlap', tag: [0, 192], at: [121, 116] },
    rootMm: { name: 'Back', tag: [122, 192], at: [170, 159] },
    misalignmentMm: { name: 'Step', tag: [244, 192], at: [280, 151] },
  },
};

/** The metal of the drawing: plates and bead, cut across. */
function Metal({ form }: { form: WeldForm }) {
  const { ink, edge, act } = useChartInks();
  const plate = { fill: edge, stroke: ink, strokeWidth: 1.5 };
  const bead = { fill: act, fillOpacity: 0.25, stroke: ink, strokeWidth: 2 };
  return form === 'fillet' ? (
    <>
      <Rect x={104} y={22} width={24} height={146} {...plate} />
      <Rect x={50} y={168} width={240} height={24} {...plate} />
      <Path d="M128 84 C 152 112, 182 140, 210 168 L 128 168 Z" {...bead} />
    </>
  ) : (
    <>
      <Rect x={16} y={114} width={152} height={36} {...plate} />
      <Rect x={172} y={114} width={152} height={36} {...plate} />
      <Path d="M122 114 C 142 90, 198 90, 218 114 L 184 150 C 180 164, 160 164, 156 150 Z" {...bead} />
    </>
  );
}

type DrawingProps = {
  form: WeldForm;
  /** What stands at each measure: its name, and what was measured there. */
  figures: readonly { id: string; name: string; text: string; over: boolean }[];
  chosen: string | null;
  onChoose: (id: string) => void;
};

/** A weld cut across, with every figure where it is measured; a tap on one chooses it. */
export function WeldDrawing({ form, figures, chosen, onChoose }: DrawingProps) {
  const { ink, edge } = useChartInks();
  const shown = figures.flatMap((one) => {
    const place = PLACES[form][one.id];
    return place === undefined ? [] : [{ ...place, ...one, short: place.name }];
  });
  return (
    <View style={{ width: W, height: H }} className="self-center">
      <Svg width={W} height={H} viewBox={`0 0 ${W} ${H}`} aria-hidden>
        <Metal form={form} />
        {shown.map(({ id, tag: [x, y], at }) => (
          <Line
            key={id}
            x1={x + TAG.width / 2}
            y1={y + TAG.height / 2}
            x2={at[0]}
            y2={at[1]}
            stroke={id === chosen ? ink : edge}
            strokeWidth={id === chosen ? 3 : 1.5}
          />
        ))}
      </Svg>
      {shown.map(({ id, name, short, text, over, tag: [left, top] }) => (
        <Pressable
          key={id}
          role="button"
          aria-label={`${name}: ${text === '' ? 'not measured' : text}${over ? ', over the limit' : ''}`}
          aria-pressed={id === chosen}
          onPress={() => onChoose(id)}
          style={{ position: 'absolute', left, top, width: TAG.width, height: TAG.height }}
          className={`items-center justify-center rounded-md border-2 bg-plate px-1 ${id === chosen ? 'border-ink' : over ? 'border-ink border-dashed' : 'border-edge'}`}
        >
          <Words className="text-center text-sm leading-tight text-faint" numberOfLines={1}>
            {short}
          </Words>
          <Words strong className="text-lg leading-tight" style={{ fontVariant: ['tabular-nums'] }}>
            {text === '' ? '–' : text}
          </Words>
        </Pressable>
      ))}
    </View>
  );
}
