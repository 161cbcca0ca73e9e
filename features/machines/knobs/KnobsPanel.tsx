import { useRouter } from 'expo-router';
import sameDocument from 'fast-deep-equal';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import type { KnobsWork, KnobWork } from '@/core/record/shapes/knob-work-schema';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import type { Dial } from '@/core/setting/dial';
import type { FigureDial } from '@/core/setting/dial-belief';
import { knobWorkOn } from '@/client/stored/knob-work';
import { platform } from '@/platform/ports';
import { useStored } from '@/platform/stored';
import { NumberField } from '@/ui/NumberField';
import { Part } from '@/ui/Part';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { TextField } from '@/ui/TextField';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { makeChange } from '../../../client/send-changes';
import { useUnits } from '../../shared/use-habits';
import { useSubmit } from '../../../client/use-records';
import { dialOf, inUnits, isWorkProblem, knobOf, onScale, withPair, workOn, type WorkProblem } from './knob-work';
import { KnobChart } from './KnobChart';
import { nextPairWords, pairText, sureWords } from './knob-words';
import { PairForm } from './PairForm';

const KNOBS = [
  { value: 'wireSpeedMPerMin', label: 'Wire' },
  { value: 'voltageV', label: 'Volts' },
] as const satisfies readonly { value: FigureDial; label: string }[];

const SCALES = [
  { value: 'figures', label: 'real figures' },
  { value: 'numbers', label: 'numbers' },
  { value: 'per-cent', label: 'per cent' },
  { value: 'clock', label: 'bare, by the clock' },
  { value: 'taps', label: 'a switch with taps' },
] as const satisfies readonly { value: KnobWork['scale']; label: string }[];

/** Shows what the knobs of a rig stand for, taken down pair by pair at the machine. */
export function KnobsPanel({ rig }: { rig: RigRecord }) {
  useTitle(`${rig.name}: its knobs`);
  const router = useRouter();
  const [shape] = useState(() => knobWorkOn(rig.id));
  const [works, setWorks] = useStored(shape);
  const [name, setName] = useState<FigureDial>('wireSpeedMPerMin');
  const { put, busy, problem } = useSubmit();
  const kept = rig.setup.rig.dials ?? {};
  const dials = dialsOfWorks(works, kept);
  const changed = KNOBS.some(({ value }) => !sameDocument(dials[value], kept[value]));
  const open = KNOBS.filter(({ value }) => isOpen(works[value]));
  const keep = async (): Promise<void> => {
    const { rig: fitted, display, arcControlRising } = rig.setup;
    const { dials: _, ...rest } = fitted;
    const all = { ...kept, ...dials };
    const known = Object.fromEntries(Object.entries(all).filter(([, dial]) => dial !== undefined));
    const hasKnobs = dials.voltageV !== undefined || dials.wireSpeedMPerMin !== undefined;
    const setup = {
      id: platform().newId(),
      fittedAt: platform().now().toISOString(),
      rig: Object.keys(known).length === 0 ? rest : { ...rest, dials: known },
      // Who reads marks off a knob reads no digits.
      display: hasKnobs ? ('dial' as const) : display,
      arcControlRising,
    };
    if (await put([makeChange('refit', rig.id, setup, rig.revision)])) setWorks({});
  };
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-5 self-center p-4 pb-10">
      <View className="gap-1">
        <Heading level={1}>{`${rig.name}: its knobs`}</Heading>
        <Words className="text-faint">
          Two pairs make a knob: one low, one high. From then on every figure is this machine’s own mark too.
        </Words>
      </View>
      <Choice label="Which knob" options={KNOBS} chosen={name} onChoose={setName} />
      <Knob
        key={name}
        name={name}
        rig={rig}
        dials={dials}
        work={works[name] ?? workOn(name, kept[name], rig.setup.display === 'dial', rig.setup.rig)}
        onWork={(work) => setWorks({ ...works, [name]: work })}
      />
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
      {open.map(({ value, label }) => (
        <Words key={value} role="status" strong>
          {`${label}: a knob takes two pairs at least, one low and one high. Until then it is not kept.`}
        </Words>
      ))}
      <Row className="gap-2">
        <Button label="Back" onPress={() => (router.canGoBack() ? router.back() : router.replace('/rig'))} />
        <Button
          tone="act"
          className="flex-1"
          label={busy ? 'Saving…' : changed || Object.keys(kept).length === 0 ? 'Keep these knobs' : 'Kept'}
          disabled={busy || !changed}
          onPress={() => void keep()}
        />
      </Row>
      {!changed && Object.keys(kept).length > 0 && (
        <Button
          label="A coupon for this rig"
          onPress={() => router.push({ pathname: '/job/new', params: { rigId: rig.id } })}
        />
      )}
    </ScrollView>
  );
}

type Dials = { [name in FigureDial]?: Dial };

/** A knob with marks that is not taken down yet: it cannot be kept, and what was kept of it stands. */
const isOpen = (work: KnobWork | undefined): boolean =>
  work !== undefined && work.scale !== 'figures' && dialOf(work) === null;

/** The knobs as they would be kept. */
function dialsOfWorks(works: KnobsWork, kept: Dials): Dials {
  const of = (name: FigureDial): Dial | undefined => {
    const work = works[name];
    if (work === undefined || isOpen(work)) return kept[name];
    return work.scale === 'figures' ? undefined : (dialOf(work) ?? kept[name]);
  };
  return { voltageV: of('voltageV'), wireSpeedMPerMin: of('wireSpeedMPerMin') };
}

type KnobProps = {
  name: FigureDial;
  rig: RigRecord;
  dials: Dials;
  work: KnobWork;
  onWork: (work: KnobWork) => void;
};

function Knob({ name, rig, dials, work: typed, onWork }: KnobProps) {
  const units = useUnits();
  const work = inUnits(name, typed, units, dials.wireSpeedMPerMin !== undefined);
  const [wrong, setWrong] = useState<WorkProblem | null>(null);
  const change = (some: Partial<KnobWork>): void => {
    setWrong(null);
    onWork({ ...work, ...some });
  };
  const take = (): void => {
    const made = withPair(name, work, on);
    if (isWorkProblem(made)) setWrong(made);
    else change(made);
  };
  // The wire's knob counts for a good bead as soon as it is taken down.
  const on = { rig: { ...rig.setup.rig, dials: { ...rig.setup.rig.dials, ...dials } }, units };
  const dial = dialOf(work);
  const { knob, problem } = knobOf(work);
  return (
    <View className="gap-5">
      <Part title="What stands on it">
        <Choice
          label="What stands on it"
          options={SCALES}
          chosen={work.scale}
          onChoose={(scale) => onWork(onScale(work, scale))}
        />
        {work.scale === 'figures' && (
          <Words className="text-faint">
            The machine shows volts and wire speed as they are: nothing to take down.
          </Words>
        )}
      </Part>
      {work.scale === 'taps' && (
        <TextField
          label="What its taps are called, with a space between"
          value={work.names}
          onChange={(names) => change({ names })}
          maxLength={400}
          problem={problem?.field === 'names' ? problem.text : null}
        />
      )}
      {work.scale !== 'taps' && work.scale !== 'figures' && <Ends work={work} problem={problem} onChange={change} />}
      {dial !== null && (
        <>
          <KnobChart name={name} dial={dial} />
          {[sureWords(name, dial, units), nextPairWords(name, dial, rig.setup.rig)].map(
            (words) => words !== null && <Words key={words}>{words}</Words>,
          )}
        </>
      )}
      {knob !== null && work.points.length > 0 && (
        <Part title="Pairs">
          {work.points.map((point) => (
            <Row key={point.mark} className="items-center gap-2">
              <Words className="min-w-0 flex-1">{pairText(name, knob, point, units)}</Words>
              <Button
                label="Out"
                aria-label={`Take out ${pairText(name, knob, point, units)}`}
                onPress={() => change({ points: work.points.filter(({ mark }) => mark !== point.mark) })}
              />
            </Row>
          ))}
        </Part>
      )}
      {work.scale !== 'figures' && (
        <PairForm name={name} work={work} on={on} problem={wrong} onChange={change} onTake={take} />
      )}
    </View>
  );
}

type EndsProps = { work: KnobWork; problem: WorkProblem | null; onChange: (some: Partial<KnobWork>) => void };

/** Where a knob begins and ends, and the smallest turn worth making. */
function Ends({ work, problem, onChange }: EndsProps) {
  const of = (field: WorkProblem['field']): string | null => (problem?.field === field ? problem.text : null);
  return (
    <Row className="items-start gap-2">
      <NumberField
        className="min-w-0 flex-1"
        label={work.scale === 'clock' ? 'From, o’clock' : 'From'}
        unit={work.scale === 'per-cent' ? '%' : ''}
        text={work.low}
        problem={of('low')}
        onType={(low) => onChange({ low })}
      />
      <NumberField
        className="min-w-0 flex-1"
        label={work.scale === 'clock' ? 'To, o’clock' : 'To'}
        unit={work.scale === 'per-cent' ? '%' : ''}
        text={work.high}
        problem={of('high')}
        onType={(high) => onChange({ high })}
      />
      <NumberField
        className="min-w-0 flex-1"
        label="Set to within"
        unit={work.scale === 'clock' ? 'h' : ''}
        text={work.step}
        problem={of('step')}
        onType={(step) => onChange({ step })}
      />
    </Row>
  );
}
