import { Link, useRouter } from 'expo-router';
import { Pressable, ScrollView, View } from 'react-native';
import type { FittedPart, Rig } from '@/core/case/schema';
import { wireSize } from '@/core/quantity/wire-size';
import type { UnitSystem } from '@/core/quantity/units';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { partsOf, withPartAnew, type Worn } from '@/core/record/shapes/part-wear';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { supplyWords, wireWords } from '../../shared/rig-words';
import { dayWords } from '../../shared/time-words';
import { useUnits } from '../../shared/use-habits';
import { PART_NAMES } from '@/core/record/words/part-words';
import { useWorn } from '../../../client/use-records';
import { arcTimeWords } from '../gas/gas-work';
import { SpoolPart } from './SpoolPart';
import { useRefit } from '../machine/use-refit';

/** Returns what each part is, in a few words, as it is recorded. */
function sizeWords(part: FittedPart, rig: Rig, units: UnitSystem): string {
  const { parts = {}, wire } = rig;
  const size = (mm: number | undefined): string => (mm === undefined ? '' : wireSize(mm, units));
  if (part === 'tip') return size(parts.tip?.sizeMm);
  if (part === 'liner') return [parts.liner?.kind, size(parts.liner?.sizeMm)].filter(Boolean).join(', ');
  if (part === 'roll') return size(parts.roll?.sizeMm);
  return part === 'spool' ? size(wire?.diameterMm) : '';
}

/** Shows what is fitted on a rig since when, what it has done, and a new one of the same in one tap. */
export function PartsPanel({ rig }: { rig: RigRecord }) {
  useTitle(`${rig.name}: its parts`);
  const router = useRouter();
  const units = useUnits();
  const { data = [] } = useWorn(rig.id);
  const { refit, busy, problem } = useRefit(rig);
  const { rig: fitted } = rig.setup;
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-4 self-center p-4 pb-10">
      <View className="gap-1">
        <Heading level={1}>{`${rig.name}: its parts`}</Heading>
        <Words>{`${wireWords(fitted, units)}, ${supplyWords(fitted, units)}`}</Words>
        <Words className="text-faint">
          Welder off before hands go into the feeder. A tip is replaced, never drilled.
        </Words>
      </View>
      {partsOf(fitted).map((part) => (
        <Row key={part} className="items-center gap-3 rounded-md bg-plate p-3">
          <View className="min-w-0 flex-1">
            <Words strong className="text-lg">
              {[PART_NAMES[part], sizeWords(part, fitted, units)].filter((words) => words !== '').join(', ')}
            </Words>
            <Words className="text-faint">
              {wornWords(
                fitted.fittedAt?.[part],
                data.find((one) => one.part === part),
              )}
            </Words>
          </View>
          <Button
            label="New one"
            aria-label={`${PART_NAMES[part]}: a new one is fitted`}
            disabled={busy}
            onPress={() => void refit((now, at) => withPartAnew(now, part, at))}
          />
        </Row>
      ))}
      <SpoolPart key={units} rig={rig} />
      <Link href={{ pathname: '/rig/[part]/[rigId]', params: { part: 'change', rigId: rig.id } }} asChild>
        <Pressable
          role="link"
          className="min-h-14 items-center justify-center rounded-md border-2 border-edge bg-plate px-4"
        >
          <Words strong>Change over to another wire, step by step</Words>
        </Pressable>
      </Link>
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
      <Row className="gap-2">
        <Button label="Back" onPress={() => (router.canGoBack() ? router.back() : router.replace('/rig'))} />
        <Link href={{ pathname: '/rig/[rigId]', params: { rigId: rig.id } }} asChild>
          <Pressable
            role="link"
            className="min-h-14 flex-1 items-center justify-center rounded-md border-2 border-edge bg-plate px-4"
          >
            <Words strong>Another size, wire or gas</Words>
          </Pressable>
        </Link>
      </Row>
    </ScrollView>
  );
}

/** Returns what a part has done: "since 4 May 2026, 34 beads, about 9 min of arc". What the server has not counted yet is not said. */
function wornWords(fittedAt: string | undefined, worn: Worn | undefined): string {
  const since = fittedAt === undefined ? 'not known since when' : `since ${dayWords(fittedAt)}`;
  if (worn === undefined || worn.since !== (fittedAt ?? null)) return since;
  const { beads, arcMinutes } = worn;
  const arc = arcMinutes === null || arcMinutes < 1 ? '' : `, about ${arcTimeWords(arcMinutes)} of arc`;
  return `${since}, ${beads} ${beads === 1 ? 'bead' : 'beads'}${arc}`;
}
