import { useLocalSearchParams } from 'expo-router';
import { useCallback, useState } from 'react';
import { useWindowDimensions, View, type LayoutChangeEvent } from 'react-native';
import { HELD, heldFigure, heldGun, type HeldFigure } from '@/core/school/held-gun';
import { figureWithUnit } from '@/core/setting/words';
import { GunInTrueSize } from '@/ui/joint/GunInTrueSize';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { WIDE } from '@/ui/wide';
import { Heading, Words } from '@/ui/Words';
import { useUnits } from '../shared/use-habits';
import { BackToSchool } from './DrillHead';
import { PART_WORDS } from './drills';
import { ScreenMeasure, usePxPerMm } from './ScreenMeasure';

type Asked = Partial<Record<HeldFigure | 'joint', string>>;

const SIDES = [
  { value: 'along', label: 'From the side' },
  { value: 'across', label: 'From the end' },
] as const;
const WAYS = [
  { value: 'right', label: 'Weld goes right →' },
  { value: 'left', label: '← Weld goes left' },
] as const;

const leanWords = (deg: number): string => (deg === 0 ? 'square' : `${deg > 0 ? 'push' : 'drag'} ${Math.abs(deg)}°`);

/** Stick-out and angle in true size, to stand beside the gun while the arc is out; figures as the bench computed them. */
export default function HoldGun() {
  const asked = useLocalSearchParams<Asked>();
  const units = useUnits();
  const figure = (name: HeldFigure): number =>
    heldFigure(name, asked[name] === undefined ? undefined : Number(asked[name]));
  const [stickOut, setStickOut] = useState(() => figure('stickOutMm'));
  const [travel, setTravel] = useState(() => figure('travelAngleDeg'));
  const [work, setWork] = useState(() => figure('workAngleDeg'));
  const [side, setSide] = useState<(typeof SIDES)[number]['value']>('along');
  const [way, setWay] = useState<(typeof WAYS)[number]['value']>('right');
  const [width, setWidth] = useState(0);
  const isWide = useWindowDimensions().width >= WIDE;
  const { pxPerMm, isMeasured } = usePxPerMm(isWide);
  const [measuring, setMeasuring] = useState(!isMeasured);
  const measured = useCallback(() => setMeasuring(false), []);
  // Pushed, the gun leans back from where the weld goes; seen from the end it leans away from the upright plate.
  const lean = side === 'across' ? 90 - work : way === 'right' ? -travel : travel;
  const gun = heldGun(stickOut, lean, figure('nozzleBoreMm'), figure('tipRecessMm'));
  const stickOutWords = figureWithUnit('stickOutMm', stickOut, units);
  const angle = side === 'along' ? leanWords(travel) : `${work}° to the plate`;
  return (
    <View role="region" aria-label={PART_WORDS.gun.title} className="gap-3 p-4">
      <View className="gap-1">
        <BackToSchool />
        <Heading level={1} className="text-2xl">
          {PART_WORDS.gun.title}
        </Heading>
      </View>
      <Words>
        Machine off. Trim the wire to its length, hold the screen behind it with the drawn plate level with yours, and
        bring the gun over the drawing. Then lift it, look away, and find it again.
      </Words>
      {measuring ? (
        <ScreenMeasure pxPerMm={pxPerMm} onDone={measured} />
      ) : (
        <>
          <Choice label="Seen" options={SIDES} chosen={side} onChoose={setSide} />
          <Words strong className="text-center text-lg">{`Stick-out ${stickOutWords}, ${angle}`}</Words>
          <View onLayout={({ nativeEvent }: LayoutChangeEvent) => setWidth(nativeEvent.layout.width)}>
            {width > 0 && (
              <GunInTrueSize
                gun={gun}
                pxPerMm={pxPerMm}
                {...(side === 'along' ? { goes: way } : { upright: asked.joint === 'fillet' })}
                label={`Gun in true size: stick-out ${stickOutWords}, ${angle}`}
                stickOut={stickOutWords}
                width={width}
              />
            )}
          </View>
          <Steps name="stickOutMm" label="Stick-out" step={1} figure={stickOut} onTurn={setStickOut} />
          {side === 'along' ? (
            <>
              <Steps name="travelAngleDeg" label="Angle" step={5} figure={travel} onTurn={setTravel} />
              <Choice label="Way of the weld" options={WAYS} chosen={way} onChoose={setWay} />
            </>
          ) : (
            <Steps name="workAngleDeg" label="Angle" step={5} figure={work} onTurn={setWork} />
          )}
          <Button tone="quiet" label="Measure this screen again" onPress={() => setMeasuring(true)} />
        </>
      )}
    </View>
  );
}

type StepsProps = { name: HeldFigure; label: string; step: number; figure: number; onTurn: (figure: number) => void };

/** Names of either way, by what is turned. */
const WAYS_OF: Partial<Record<HeldFigure, readonly [less: string, more: string]>> = {
  stickOutMm: ['Shorter', 'Longer'],
  travelAngleDeg: ['More drag', 'More push'],
  workAngleDeg: ['Flatter', 'Steeper'],
};

function Steps({ name, label, step, figure, onTurn }: StepsProps) {
  const [less, more] = WAYS_OF[name] ?? ['Less', 'More'];
  const { least, most } = HELD[name];
  return (
    <Row role="group" aria-label={label} className="gap-2">
      <Button
        label={less}
        className="flex-1"
        disabled={figure <= least}
        onPress={() => onTurn(heldFigure(name, figure - step))}
      />
      <Button
        label={more}
        className="flex-1"
        disabled={figure >= most}
        onPress={() => onTurn(heldFigure(name, figure + step))}
      />
    </Row>
  );
}
