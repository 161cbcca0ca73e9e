import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import type { KeptKind } from '@/core/record/record-file-schema';
import type { Decimal } from '@/core/files/spreadsheet';
import { platform } from '@/platform/ports';
import { Part } from '@/ui/Part';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { DecimalChoice } from '../shared/DecimalChoice';
import { LogTabs } from '../shared/LogTabs';
import { useUnits } from '../shared/use-habits';
import { MOST_MB, sendRecord, type Taken } from './record-api';

/** The whole record as files, out and in. */
export function FilesPlace() {
  useTitle('Files');
  const units = useUnits();
  const [decimal, setDecimal] = useState<Decimal>('point');
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-5 self-center p-4 pb-10">
      <Heading level={1}>Files</Heading>
      <LogTabs at="files" />
      <Part title="Everything, for a program">
        <Words>
          One JSON file with all that is written down: rigs and what was fitted, coupons, beads, kept settings, welds,
          inspections, repairs, care and limits. It can be taken in again, here or in another workshop.
        </Words>
        <Row>
          <Button label="Everything as JSON" onPress={() => platform().saveFrom('/api/record')} />
        </Row>
        <Words className="text-sm text-faint">What it holds is described at /api/schemas/record.json.</Words>
      </Part>
      <Part title="Every bead, for a spreadsheet">
        <Words>A line a bead in your units, with job, rig, figures and marks, what it showed and what was done.</Words>
        <DecimalChoice chosen={decimal} onChoose={setDecimal} />
        <Row>
          <Button
            label="Every bead as CSV"
            onPress={() => platform().saveFrom(`/api/record/beads.csv?units=${units}&decimal=${decimal}`)}
          />
        </Row>
      </Part>
      <TakeIn />
    </ScrollView>
  );
}

const KINDS: { [kind in KeptKind]: string } = {
  rigs: 'Rigs',
  setups: 'Fittings',
  coupons: 'Coupons',
  jobs: 'Jobs',
  beads: 'Beads',
  proven: 'Kept settings',
  welds: 'Welds',
  care: 'Care',
  levels: 'Limits',
};

type State =
  | { at: 'nothing' }
  | { at: 'busy'; what: string }
  | { at: 'read'; name: string; text: string; taken: Taken }
  | { at: 'done'; name: string; taken: Taken };

/** A file that was written here or elsewhere: what it comes to first, then, said once more, all of it or nothing. */
function TakeIn() {
  const client = useQueryClient();
  const [state, setState] = useState<State>({ at: 'nothing' });
  const [problem, setProblem] = useState<string | null>(null);
  const attempt = async (work: () => Promise<State>): Promise<void> => {
    setProblem(null);
    const before = state;
    try {
      setState(await work());
    } catch (error) {
      setState(before.at === 'busy' ? { at: 'nothing' } : before);
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  const open = (): Promise<void> =>
    attempt(async () => {
      const file = await platform().openFile(['application/json', '.json'], MOST_MB);
      if (file === null) return state;
      setState({ at: 'busy', what: `Reading ${file.name}…` });
      return { at: 'read', ...file, taken: await sendRecord(file.text, true) };
    });
  const take = ({ name, text }: { name: string; text: string }): Promise<void> =>
    attempt(async () => {
      setState({ at: 'busy', what: `Taking ${name} in…` });
      const taken = await sendRecord(text, false);
      // Meanwhile something of it may have become another here: then it is read anew.
      if (!taken.done) return { at: 'read', name, text, taken };
      void client.invalidateQueries();
      return { at: 'done', name, taken };
    });
  return (
    <Part title="Take a record in">
      <Words>
        A JSON file of the whole record. What it would add or change is said first; then all of it goes in, or nothing.
      </Words>
      <Row>
        <Button label="Open a JSON file" disabled={state.at === 'busy'} onPress={() => void open()} />
      </Row>
      {state.at === 'busy' && <Words role="status">{state.what}</Words>}
      {problem !== null && <Words role="alert" strong>{`Not taken in. ${problem.replace(/\.?$/, '.')}`}</Words>}
      {state.at === 'read' && <Preview name={state.name} taken={state.taken} onTake={() => void take(state)} />}
      {state.at === 'done' && (
        <View role="status" className="gap-2 rounded-md bg-plate p-3">
          <Words strong>{`${state.name} is taken in.`}</Words>
          <Counts taken={state.taken} />
        </View>
      )}
    </Part>
  );
}

/** Whether taking it in would leave all as it is. */
const isNothing = ({ counts }: Taken): boolean =>
  Object.values(counts).every(({ added, changed }) => added + changed === 0);

function Preview({ name, taken, onTake }: { name: string; taken: Taken; onTake: () => void }) {
  const { refused, reasons } = taken;
  return (
    <View role="region" aria-label={`What ${name} comes to`} className="gap-3 rounded-md bg-plate p-3">
      <Words strong>{name}</Words>
      <Counts taken={taken} />
      {refused > 0 && (
        <View role="alert" className="gap-1">
          <Words strong>
            {refused === 1
              ? 'One thing of it cannot be taken in, so nothing is.'
              : `${refused} things of it cannot be taken in, so nothing is.`}
          </Words>
          {reasons.map((why) => (
            <Words key={why}>{why}</Words>
          ))}
          {refused > reasons.length && <Words className="text-faint">{`and ${refused - reasons.length} more.`}</Words>}
        </View>
      )}
      {refused === 0 &&
        (isNothing(taken) ? (
          <Words>All of it is here already, as it stands in the file.</Words>
        ) : (
          <Button tone="act" label="Take it in" onPress={onTake} />
        ))}
    </View>
  );
}

function Counts({ taken: { counts } }: { taken: Taken }) {
  const kinds = (Object.keys(KINDS) as KeptKind[]).filter((kind) => counts[kind] !== undefined);
  if (kinds.length === 0) return null;
  return (
    <View role="table" aria-label="What the file holds" className="gap-1">
      <Row role="row" className="gap-2">
        {['', 'new', 'otherwise', 'same'].map((head) => (
          <Words
            key={head}
            role="columnheader"
            className={`text-sm text-faint ${head === '' ? 'flex-1' : 'w-20 flex-none text-right'}`}
          >
            {head}
          </Words>
        ))}
      </Row>
      {kinds.map((kind) => {
        const { added, changed, same } = counts[kind]!;
        return (
          <Row key={kind} role="row" className="gap-2">
            <Words role="cell" className="min-w-0 flex-1">
              {KINDS[kind]}
            </Words>
            {[added, changed, same].map((count, i) => (
              <Words key={i} role="cell" strong={count > 0 && i < 2} className="w-20 text-right">
                {String(count)}
              </Words>
            ))}
          </Row>
        );
      })}
    </View>
  );
}
