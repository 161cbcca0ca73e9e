import { useRouter } from 'expo-router';
import { Fragment } from 'react';
import { ScrollView, View } from 'react-native';
import { POSITIONS, type Position } from '@/core/case/terms';
import type { ChartCell } from '@/core/answer/own-chart';
import { readable, unitOf } from '@/core/quantity/units';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { platform } from '@/platform/ports';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { POSITION_WORDS } from '../../shared/job-words';
import { supplyWords, wireWords } from '../../shared/rig-words';
import { useUnits } from '../../shared/use-habits';
import { useOwnChart } from '../../../client/use-records';
import { cellWords, chartCsv, turnWords } from './chart-file';
import { ImportPart } from './ImportPart';

/** A rig's own settings chart: fillets by thickness and position, in its own marks; a clean page on paper. */
export function ChartPanel({ rig }: { rig: RigRecord }) {
  useTitle(`${rig.name}: its chart`);
  const router = useRouter();
  const units = useUnits();
  const { data, error, refetch } = useOwnChart(rig.id);
  if (error !== null)
    return (
      <StateNote
        title="The chart cannot be made"
        text={error.message}
        action={{ label: 'Try again', onPress: () => void refetch() }}
      />
    );
  if (data === undefined) return <Loading what="the chart" />;
  const back = (): void => (router.canGoBack() ? router.back() : router.replace('/rig'));
  if (data.length === 0)
    return (
      <StateNote
        title="No chart without a wire"
        text="Say which wire is fitted; then the chart can be made."
        action={{ label: 'Back', onPress: back }}
      />
    );
  const file = rig.name.toLowerCase().replace(/[^a-z0-9]+/g, '-');
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-4 self-center p-4 pb-10">
      <View className="gap-1">
        <Heading level={1}>{`${rig.name}: its chart`}</Heading>
        <Words>{`${wireWords(rig.setup.rig, units)}, ${supplyWords(rig.setup.rig, units)}. Fillets, clean plate, still air.`}</Words>
        <Words className="text-sm text-faint">
          A ring marks what was sound on this rig; the rest is computed. × the passes. Try a coupon first all the same.
        </Words>
      </View>
      <View className="chart-page flex-row flex-wrap gap-x-8 gap-y-4">
        {POSITIONS.filter((position) => data.some((cell) => cell.position === position)).map((position) => (
          <PositionTable key={position} position={position} cells={data.filter((cell) => cell.position === position)} />
        ))}
      </View>
      <Row className="no-print flex-wrap gap-2">
        <Button label="Back" onPress={back} />
        <Button
          className="flex-1"
          label="CSV"
          onPress={() => platform().saveFile(`${file}-chart.csv`, chartCsv(data, units), 'text/csv')}
        />
        <Button
          className="flex-1"
          label="JSON"
          onPress={() => platform().saveFile(`${file}-chart.json`, JSON.stringify(data, null, 2), 'application/json')}
        />
        <Button className="flex-1" tone="act" label="Print" onPress={() => platform().print()} />
      </Row>
      <ImportPart rig={rig} />
    </ScrollView>
  );
}

function PositionTable({ position, cells }: { position: Position; cells: readonly ChartCell[] }) {
  const units = useUnits();
  return (
    <View role="table" aria-label={POSITION_WORDS[position]} className="min-w-[280px] flex-1">
      <Words strong className="pb-1 text-lg">
        {POSITION_WORDS[position]}
      </Words>
      <Row role="row" className="border-b-2 border-ink">
        {[unitOf('length', units), 'Volts', 'Wire', ''].map((head, i) => (
          <Words key={head} role="columnheader" className={`text-sm text-faint ${WIDTHS[i]}`}>
            {head}
          </Words>
        ))}
      </Row>
      {cells.map((cell, i) => {
        const { volts, wire } = cellWords(cell, units);
        const marks = [cell.proven ? '○' : '', cell.passes > 1 ? `×${cell.passes}` : ''].filter((mark) => mark !== '');
        const said = [cell.proven ? 'proven' : '', cell.passes > 1 ? `${cell.passes} passes` : ''].filter(
          (mark) => mark !== '',
        );
        const turn = turnWords(cell, cells[i - 1]);
        return (
          <Fragment key={cell.thicknessMm}>
            {turn !== null && (
              <Row role="row" className="border-b-2 border-ink pt-2">
                <Words role="cell" className="text-sm">
                  {turn}
                </Words>
              </Row>
            )}
            <Row role="row" className="min-h-9 items-center border-b border-edge">
              <Words role="cell" strong className={WIDTHS[0]}>
                {readable(cell.thicknessMm, 'length', units)}
              </Words>
              <Words role="cell" className={WIDTHS[1]}>
                {volts}
              </Words>
              <Words role="cell" className={WIDTHS[2]}>
                {wire}
              </Words>
              <Words role="cell" aria-label={said.join(', ')} strong className={WIDTHS[3]}>
                {marks.join(' ')}
              </Words>
            </Row>
          </Fragment>
        );
      })}
    </View>
  );
}

const WIDTHS = ['w-14', 'flex-1', 'flex-1', 'w-14 text-right'];
