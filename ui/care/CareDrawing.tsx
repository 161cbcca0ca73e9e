import Svg, { Path } from 'react-native-svg';
import type { CareTask } from '@/core/care/tasks';
import { useChartInks } from '../use-ink';
import { CARE_SCENES, SCENE, type Stroke } from './care-scenes';

const METAL = { metal: '#a8a69e', copper: '#b87348', dark: '#4c4e4b' } as const;

/** One step of looking after a machine, drawn. What it shows stands in words beside it. */
export function CareDrawing({ task, step, width }: { task: CareTask; step: number; width: number }) {
  const { ink, plate, edge, act } = useChartInks();
  const look = (as: Stroke['as']) => {
    if (as === 'metal' || as === 'copper' || as === 'dark')
      // What is only a line, as a cable is, has no inside.
      return { fill: METAL[as], stroke: ink, strokeWidth: 0.5 };
    if (as === 'act-fill') return { fill: act, stroke: plate, strokeWidth: 0.4 };
    const stroke = as === 'act' ? act : as === 'air' ? edge : ink;
    return {
      fill: 'none',
      stroke,
      strokeWidth: as === 'act' ? 1.5 : 0.8,
      strokeDasharray: as === 'air' ? '1.6 1.2' : undefined,
    };
  };
  return (
    <Svg
      width={width}
      height={(width * SCENE.height) / SCENE.width}
      viewBox={`0 0 ${SCENE.width} ${SCENE.height}`}
      aria-hidden
    >
      {(CARE_SCENES[task][step] ?? []).map(({ d, as }, i) => {
        // A cable or a lead is a line however it is named: it is drawn as wide as it is.
        const isLine = as === 'dark' && !/[Zza]/.test(d);
        return <Path key={i} d={d} {...(isLine ? { fill: 'none', stroke: METAL.dark, strokeWidth: 4 } : look(as))} />;
      })}
    </Svg>
  );
}
