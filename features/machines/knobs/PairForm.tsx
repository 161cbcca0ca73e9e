import { readable, unitOf, type UnitSystem } from '@/core/quantity/units';
import type { Rig } from '@/core/case/schema';
import type { KnobWork } from '@/core/record/shapes/knob-work-schema';
import type { PairSource } from '@/core/setting/dial';
import type { FigureDial } from '@/core/setting/dial-belief';
import { markText } from '@/core/setting/dial-marks';
import { SETTINGS } from '@/core/setting/table';
import { NumberField } from '@/ui/NumberField';
import { Part } from '@/ui/Part';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { WatchButton } from '@/ui/WatchButton';
import { Words } from '@/ui/Words';
import { useStopwatch } from '../../shared/use-stopwatch';
import { isWorkProblem, knobOf, pairFigure, showsVolts, sourcesOf, type WorkProblem } from './knob-work';
import { SOURCE_WORDS } from './knob-words';

/** How a pair is got, in the order the hand does it. */
const HOW: Record<PairSource, string> = {
  'run-out':
    'Gun away from faces, hands, work and clamp, so that no arc strikes. Turn the knob to the mark, hold the trigger six seconds, cut the wire at the tip, measure what came out.',
  meter: 'Turn the knob to the mark, run a bead, and have somebody read the volts while the arc burns.',
  'good-bead': 'A bead that was sound says what volts it had: give the mark and the wire it ran with.',
  chart: 'What a chart for this machine says for the mark.',
  plate: 'What the machine’s plate gives for the end of the range. Only a ballpark until something is measured.',
};

/** The same where the machine has no meter of its own. */
const CLIPPED_ON =
  'Welder off: clip a DC voltmeter for 100 V and more from the gun’s stud to the work clamp, leads clear of the arc. Turn the knob to the mark, run a bead, have somebody read it while the arc burns.';

type PairFormProps = {
  name: FigureDial;
  work: KnobWork;
  on: { rig: Rig; units: UnitSystem };
  problem: WorkProblem | null;
  onChange: (change: Partial<KnobWork>) => void;
  onTake: () => void;
};

/** One pair of mark and figure, taken down at the machine. */
export function PairForm({ name, work, on, problem, onChange, onTake }: PairFormProps) {
  const watch = useStopwatch();
  const { units, rig } = on;
  const { quantity, name: called } = SETTINGS[name];
  const { knob } = knobOf(work);
  const of = (field: WorkProblem['field']): string | null => (problem?.field === field ? problem.text : null);
  const figure = pairFigure(name, work, on);
  return (
    <Part title={work.points.length === 0 ? 'First pair' : 'One more pair'}>
      <Choice
        label="How this pair is got"
        options={sourcesOf(name, rig).map((source) => ({ value: source, label: SOURCE_WORDS[source] }))}
        chosen={work.by}
        onChoose={(by) => onChange({ by })}
      />
      <Words className="text-faint">{work.by === 'meter' && !showsVolts(rig) ? CLIPPED_ON : HOW[work.by]}</Words>
      {knob?.scale === 'taps' && (
        <Choice
          label="Tap"
          options={(knob.names ?? []).map((tap) => ({ value: tap, label: tap }))}
          chosen={work.mark}
          onChoose={(mark) => onChange({ mark })}
        />
      )}
      {of('mark') !== null && knob?.scale === 'taps' && (
        <Words role="alert" strong>
          {of('mark')}
        </Words>
      )}
      <Row className="items-start gap-2">
        {knob?.scale !== 'taps' && (
          <NumberField
            className="min-w-0 flex-1"
            label="Knob at"
            unit=""
            text={work.mark}
            problem={of('mark')}
            onType={(mark) => onChange({ mark })}
          />
        )}
        {work.by === 'run-out' && (
          <>
            <NumberField
              className="min-w-0 flex-1"
              label="Held for"
              unit="s"
              text={watch.running ?? work.seconds}
              onType={(seconds) => onChange({ seconds })}
            />
            <NumberField
              className="min-w-0 flex-1"
              label="Came out"
              unit={unitOf('length', units)}
              text={work.length}
              problem={of('length')}
              onType={(length) => onChange({ length })}
            />
          </>
        )}
        {work.by === 'good-bead' && (
          <NumberField
            className="min-w-0 flex-1"
            label={rig.dials?.wireSpeedMPerMin === undefined ? 'Its wire' : 'Its wire, knob at'}
            unit={rig.dials?.wireSpeedMPerMin === undefined ? unitOf('wireSpeed', units) : ''}
            text={work.wire}
            problem={of('wire')}
            onType={(wire) => onChange({ wire })}
          />
        )}
        {(work.by === 'meter' || work.by === 'plate' || work.by === 'chart') && (
          <NumberField
            className="min-w-0 flex-1"
            label={called}
            unit={unitOf(quantity, units)}
            text={work.figure}
            problem={of('figure')}
            onType={(typed) => onChange({ figure: typed })}
          />
        )}
      </Row>
      {work.by === 'run-out' && (
        <WatchButton
          running={watch.running}
          onPress={() => {
            const took = watch.press();
            if (took !== null) onChange({ seconds: took });
          }}
        />
      )}
      {!isWorkProblem(figure) && (work.by === 'run-out' || work.by === 'good-bead') && (
        <Words strong>
          {`That is ${readable(figure, quantity, units)} ${unitOf(quantity, units)}${knob !== null && work.mark !== '' ? ` at ${knob.scale === 'taps' ? work.mark : markAs(work.mark)}` : ''}.`}
        </Words>
      )}
      <Button label="Take this pair down" onPress={onTake} />
    </Part>
  );
}

const markAs = (typed: string): string => {
  const mark = Number(typed.replace(',', '.'));
  return Number.isNaN(mark) ? typed : markText({}, mark);
};
