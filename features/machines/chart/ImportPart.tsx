import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { wireMetal } from '@/core/arc/wire';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import type { KnobWork } from '@/core/record/shapes/knob-work-schema';
import type { Dial, DialPoint } from '@/core/setting/dial';
import type { FigureDial } from '@/core/setting/dial-belief';
import { SETTINGS } from '@/core/setting/table';
import { figureWithUnit } from '@/core/setting/words';
import { checkChart, pairsOfChart, type CheckedChart, type CheckedLine } from '@/core/start/chart-check';
import { readable, unitOf, type UnitSystem } from '@/core/quantity/units';
import { knobWorkOn } from '@/client/stored/knob-work';
import { platform } from '@/platform/ports';
import { useStored } from '@/platform/stored';
import { Button } from '@/ui/Press';
import { Heading, Words } from '@/ui/Words';
import { POSITION_WORDS } from '../../shared/job-words';
import { useUnits } from '../../shared/use-habits';
import { readChart, type ReadChart } from './chart-import';
import { dialOf, workOn } from '../knobs/knob-work';
import { useBenchCase } from '../machine/use-bench-case';

const DIALS: readonly FigureDial[] = ['voltageV', 'wireSpeedMPerMin'];
/** A knob takes no more pairs. */
const MOST_PAIRS = 40;
/** Faults that are named at once; the file is mended better than read through. */
const MOST_PROBLEMS = 12;

/** A chart that somebody has: read from CSV, held against the model, and its marks taken for the knobs when that is asked. */
export function ImportPart({ rig }: { rig: RigRecord }) {
  const [read, setRead] = useState<(ReadChart & { name: string }) | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const input = useBenchCase(rig);
  const wireClass = rig.setup.rig.wire?.class;
  const open = async (): Promise<void> => {
    setProblem(null);
    try {
      const file = await platform().openFile(['text/csv', 'text/plain', '.csv']);
      if (file === null) return;
      const metal = wireClass === undefined ? 'mild-steel' : wireMetal(wireClass);
      setRead({ ...readChart(file.text, metal, rig.setup.rig.dials ?? {}), name: file.name });
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  const checked = useMemo(() => (read === null ? null : checkChart(input, read.lines)), [read, input]);
  return (
    <View role="region" aria-label="A chart that somebody has" className="no-print gap-2">
      <Heading level={2}>A chart that somebody has</Heading>
      <Words className="text-faint">
        A CSV file for this wire and gas, fillets. The head names each unit: thickness (mm), volts (V), wire speed
        (m/min); or the marks of this machine: volts, mark. Position is flat where none is said.
      </Words>
      <Button label="Open a CSV file" onPress={() => void open()} />
      {problem !== null && <Words role="alert" strong>{`Not read. ${problem}.`}</Words>}
      {read !== null && <Problems read={read} />}
      {checked !== null && checked.lines.length > 0 && <Checked rig={rig} checked={checked} />}
    </View>
  );
}

function Problems({ read: { name, lines, ignored, problems } }: { read: ReadChart & { name: string } }) {
  const more = problems.length - MOST_PROBLEMS;
  return (
    <View role={problems.length > 0 ? 'alert' : 'status'} className="gap-1">
      <Words strong>{`${name}: ${lines.length} ${lines.length === 1 ? 'line' : 'lines'} read.`}</Words>
      {problems.slice(0, MOST_PROBLEMS).map((text) => (
        <Words key={text} className="border-l-4 border-ink pl-3">
          {text}
        </Words>
      ))}
      {more > 0 && <Words>{`And ${more} more.`}</Words>}
      {ignored.length > 0 && <Words className="text-faint">{`Not used: ${ignored.join(', ')}.`}</Words>}
    </View>
  );
}

/** Returns what the chart as a whole is off by, in a sentence. */
function wholeWords({ offV, heat }: CheckedChart): string[] {
  const off =
    offV === null || Math.abs(offV) < 0.5
      ? null
      : `As a whole it stands ${Math.abs(offV).toFixed(1)} V ${offV > 0 ? 'above' : 'below'} balance: its meter or leads, or a ${offV > 0 ? 'longer' : 'shorter'} arc than here.`;
  const hot =
    heat === null || Math.abs(Math.log(heat)) < Math.log(1.1)
      ? null
      : `As a whole it is ${Math.round(100 * Math.abs(heat - 1))} % ${heat > 1 ? 'hotter' : 'colder'} than the plates want here.`;
  const said = [off, hot].filter((text) => text !== null);
  return said.length > 0 || offV === null ? said : ['As a whole it agrees with the model.'];
}

/** A line of the chart in words: where, and what stands out in it. */
function lineWords({ thicknessMm, position, settings, model, outlier }: CheckedLine, units: UnitSystem): string {
  const place = `${readable(thicknessMm, 'length', units)} ${unitOf('length', units)} ${POSITION_WORDS[position]}`;
  const far = outlier.flatMap((name) => {
    const [own, there] = [settings[name], model[name]];
    return own === undefined || there === undefined
      ? []
      : [
          `${SETTINGS[name].name.toLowerCase()} ${figureWithUnit(name, own, units)}, the model ${figureWithUnit(name, there, units)}`,
        ];
  });
  return `${place}: ${far.join('; ')}`;
}

function Checked({ rig, checked }: { rig: RigRecord; checked: CheckedChart }) {
  const units = useUnits();
  const [works, setWorks] = useStored(knobWorkOn(rig.id));
  const [taken, setTaken] = useState<string | null>(null);
  const far = checked.lines.filter(({ outlier }) => outlier.length > 0);
  const dials = rig.setup.rig.dials ?? {};
  const knobs = DIALS.map((name) => ({ name, pairs: pairsOfChart(name, checked) })).filter(
    ({ pairs }) => pairs.length > 0,
  );
  const take = (): void => {
    const next = { ...works };
    for (const { name, pairs } of knobs) {
      const work = next[name] ?? withEnds(workOn(name, dials[name], true), dials[name], pairs);
      next[name] = { ...work, points: joined(work.points, pairs) };
    }
    setWorks(next);
    const open = knobs.filter(({ name }) => dialOf(next[name]!) === null);
    setTaken(
      open.length === 0
        ? 'Taken as pairs. Look them over on the knobs’ page and keep them there.'
        : 'Taken as pairs, but a knob takes two at least: add one on the knobs’ page.',
    );
  };
  return (
    <View className="gap-2">
      {wholeWords(checked).map((text) => (
        <Words key={text}>{text}</Words>
      ))}
      {far.length === 0 ? (
        <Words>No line stands out from the rest.</Words>
      ) : (
        <View role="list" aria-label="Lines that stand out" className="gap-1">
          <Words
            strong
          >{`${far.length} of ${checked.lines.length} lines stand out: a slip, or a job of its own.`}</Words>
          {far.map((line) => (
            <Words key={line.line} role="listitem" className="border-l-4 border-ink pl-3">
              {`Line ${line.line}, ${lineWords(line, units)}`}
            </Words>
          ))}
        </View>
      )}
      {knobs.length > 0 && (
        <>
          <Words>
            {`It gives marks: ${knobs.map(({ name, pairs }) => `${pairs.length} ${pairs.length === 1 ? 'pair' : 'pairs'} for ${SETTINGS[name].name.toLowerCase()}`).join(', ')}. A chart is good to about 1 V and 8 % of wire; a pair measured here goes before it.`}
          </Words>
          <Button label="Use its marks for the knobs" onPress={take} />
        </>
      )}
      {taken !== null && (
        <Words role="status" strong>
          {taken}
        </Words>
      )}
    </View>
  );
}

/** A knob that nobody described ends where the marks of the chart let it: at ten, a hundred, or the last of them. */
function withEnds(work: KnobWork, dial: Dial | undefined, pairs: readonly DialPoint[]): KnobWork {
  if (dial !== undefined) return work;
  const marks = pairs.map(({ mark }) => mark);
  const [least, most] = [Math.min(...marks), Math.max(...marks)];
  const high = [10, 100].find((end) => end >= most) ?? Math.ceil(most);
  return { ...work, low: String(Math.floor(Math.min(high > 10 ? 0 : 1, least))), high: String(high) };
}

/** Pairs with those of a chart added where they fit: what was measured here stays. */
function joined(points: readonly DialPoint[], pairs: readonly DialPoint[]): DialPoint[] {
  const fits = (all: readonly DialPoint[], { mark, value }: DialPoint): boolean =>
    all.every((other) => (other.mark < mark ? other.value < value : other.mark > mark && other.value > value));
  const own = points.filter(({ by }) => by !== 'chart');
  return pairs
    .reduce<DialPoint[]>((all, pair) => (fits(all, pair) ? [...all, pair] : all), [...own])
    .sort((a, b) => a.mark - b.mark)
    .slice(0, MOST_PAIRS);
}
