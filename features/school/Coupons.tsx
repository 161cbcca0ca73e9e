import { Link } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import type { Case } from '@/core/case/schema';
import { fromUser, readable, unitOf } from '@/core/quantity/units';
import { caseOf, dialsOf } from '@/core/record/draft/case-of';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import type { CouponSet, CouponSheet } from '@/core/school/coupons';
import { dialFor, type Dials } from '@/core/setting/dials';
import { SETTINGS, type SettingName } from '@/core/setting/table';
import { dialText, figureWithUnit } from '@/core/setting/words';
import { platform } from '@/platform/ports';
import { NumberField } from '@/ui/NumberField';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { Heading, Words } from '@/ui/Words';
import { askSchool } from '@/workers/school';
import { CautionNotes } from '../shared/CautionNotes';
import { Misfits } from '../shared/Misfits';
import { typedAboveZero } from '../shared/record-form';
import { useHabits, useUnits } from '../shared/use-habits';
import { useRigs } from '../../client/use-records';
import { BackToSchool } from './DrillHead';
import { PART_WORDS } from './drills';

/** Plates for the commonest rigs, mm. */
const USUAL_MM = 5;

/** Plates to run for real, printed with the settings of a rig on its own dial, and room to write what each bead showed. */
export default function Coupons() {
  const rigs = useRigs();
  const [rigId, setRigId] = useState<string | null>(null);
  const units = useUnits();
  const [typed, setTyped] = useState(() => readable(USUAL_MM, 'length', units));
  const all = rigs.data?.filter(({ putAway }) => !putAway) ?? [];
  const rig = all.find(({ id }) => id === rigId) ?? all[0];
  const thickness = typedAboveZero(typed);
  return (
    <View role="region" aria-label={PART_WORDS.coupons.title} className="gap-4 p-4">
      <View className="no-print gap-1">
        <BackToSchool />
        <Heading level={1} className="text-2xl">
          {PART_WORDS.coupons.title}
        </Heading>
      </View>
      {rigs.data === undefined && <Loading what="the rigs" />}
      {rigs.data !== undefined && rig === undefined && (
        <StateNote title="No rig yet" text="The sheet takes the settings of a rig. Put one in under Rig first." />
      )}
      {rig !== undefined && (
        <>
          <View className="no-print gap-3">
            <Choice
              label="Rig"
              options={all.map(({ id, name }) => ({ value: id, label: name }))}
              chosen={rig.id}
              onChoose={setRigId}
            />
            <NumberField
              label="Plate"
              unit={unitOf('length', units)}
              text={typed}
              onType={setTyped}
              problem={thickness === null ? 'a thickness above 0' : null}
            />
          </View>
          {thickness !== null && (
            <Sheet key={`${rig.id} ${typed}`} rig={rig} thicknessMm={fromUser(thickness, 'length', units)} />
          )}
        </>
      )}
    </View>
  );
}

function Sheet({ rig, thicknessMm }: { rig: RigRecord; thicknessMm: number }) {
  const [{ schools }] = useHabits();
  const units = useUnits();
  const [sheet, setSheet] = useState<CouponSheet | 'failed' | null>(null);
  const dials = useMemo(() => dialsOf(rig.setup), [rig]);
  const input = useMemo<Case>(() => {
    const metal = rig.setup.rig.wire?.class;
    const baseMetal =
      metal === 'solid-aluminium' ? 'aluminium' : metal === 'solid-stainless' ? 'stainless' : 'mild-steel';
    const job = { baseMetal, thicknessMm, joint: 'bead-on-plate', position: 'flat', draught: 'still' } as const;
    return caseOf(rig.setup, job, { settings: {}, readings: {}, findings: {} }, schools);
  }, [rig, thicknessMm, schools]);
  useEffect(() => {
    const left = new AbortController();
    askSchool({ kind: 'coupons', input, dials, seed: 0 }, left.signal).then(
      ({ sheet: made }) => setSheet(made ?? 'failed'),
      () => !left.signal.aborted && setSheet('failed'),
    );
    return () => left.abort();
  }, [input, dials]);
  if (sheet === null) return <Words role="status">The figures are being worked out…</Words>;
  if (sheet === 'failed')
    return <Words role="alert">No figures for this rig and plate: say under Rig what wire and gas it has.</Words>;
  return (
    <View className="gap-4">
      <Words strong>
        {`${rig.name}, ${readable(thicknessMm, 'length', units)} ${unitOf('length', units)} scrap, flat. Each bead 50 mm, numbered with chalk; let the plate cool between.`}
      </Words>
      <Misfits held={sheet.held} beside={sheet.misfits} />
      {sheet.sets.map((set) => (
        <OneSet key={set.knob} set={set} dials={dials} />
      ))}
      <CautionNotes cautions={sheet.cautions} />
      <Row className="no-print flex-wrap gap-2">
        <Button tone="act" label="Print" className="flex-1" onPress={() => platform().print()} />
        <Link href="/job/new" asChild>
          <Button label="Put a plate on the bench, to log them" className="flex-1" />
        </Link>
      </Row>
    </View>
  );
}

const SHOWN: readonly SettingName[] = ['voltageV', 'wireSpeedMPerMin', 'stickOutMm', 'gasFlowLPerMin'];

/** One plate: what stays, and bead by bead what is turned, with room for what it showed. */
function OneSet({ set: { knob, beads, low, high }, dials }: { set: CouponSet; dials: Dials }) {
  const units = useUnits();
  const words = (name: SettingName, value: number | undefined): string => {
    const mark = dialText(dialFor(dials, name), value);
    const figure = figureWithUnit(name, value, units);
    return mark === null ? figure : `${mark} (${figure})`;
  };
  const stays = SHOWN.filter((name) => name !== knob && beads[0].settings[name] !== undefined);
  return (
    <View className="gap-1">
      <Heading level={2}>{`${SETTINGS[knob].name}, low to high`}</Heading>
      <Words>
        {`All at: ${stays.map((name) => `${SETTINGS[name].name.toLowerCase()} ${words(name, beads[0].settings[name])}`).join(', ')}.`}
      </Words>
      <Words className="text-sm">{`Low: ${low}. High: ${high}.`}</Words>
      <View role="table" aria-label={`${SETTINGS[knob].name}, low to high`}>
        <Row role="row" className="gap-2 border-b-2 border-ink pb-1">
          <Words role="columnheader" strong className="w-8">
            No.
          </Words>
          <Words role="columnheader" strong className="w-36">
            {SETTINGS[knob].name}
          </Words>
          <Words role="columnheader" strong className="flex-1">
            It showed, it sounded
          </Words>
        </Row>
        {beads.map(({ settings, isRight }, i) => (
          <Row key={i} role="row" className="min-h-10 items-center gap-2 border-b border-edge">
            <Words role="cell" className="w-8">
              {i + 1}
            </Words>
            <Words role="cell" strong className="w-36">
              {words(knob, settings[knob])}
            </Words>
            <Words role="cell" className="flex-1 text-faint">
              {isRight ? 'as computed' : ''}
            </Words>
          </Row>
        ))}
      </View>
    </View>
  );
}
