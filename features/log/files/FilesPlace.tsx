import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import type { Decimal } from '@/core/files/spreadsheet';
import { platform } from '@/platform/ports';
import { Part } from '@/ui/Part';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { DecimalChoice } from '../../shared/DecimalChoice';
import { LogTabs } from '../../shared/LogTabs';
import { useUnits } from '../../shared/use-habits';
import { useSession } from '../../../client/use-session';
import { CopiesPart } from '../pending/CopiesPart';
import { ListIn } from './ListIn';
import { MOST_MB, MOST_ZIP_MB, sendPictures, sendRecord, type Taken } from './record-api';
import { Counts, TakenPreview } from './TakenPreview';

const SHEETS = [
  ['beads', 'Every bead as CSV'],
  ['kept-settings', 'Kept settings as CSV'],
  ['welds', 'Welds as CSV'],
] as const;

/** The whole record as files, out and in. */
export function FilesPlace() {
  useTitle('Files');
  const units = useUnits();
  // What is taken in may change all that is written down.
  const isKeeper = useSession()?.isKeeper === true;
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
      <Part title="For a spreadsheet">
        <Words>
          A line each, in your units: beads with job, rig, figures and marks, what they showed and what was done; kept
          settings with who proved them; welds with what their newest inspection measured.
        </Words>
        <DecimalChoice chosen={decimal} onChoose={setDecimal} />
        <Row className="flex-wrap gap-2">
          {SHEETS.map(([file, label]) => (
            <Button
              key={file}
              label={label}
              onPress={() => platform().saveFrom(`/api/record/${file}.csv?units=${units}&decimal=${decimal}`)}
            />
          ))}
        </Row>
      </Part>
      <Part title="Every photograph">
        <Words>
          One ZIP with the files of all photographs, each named by what it holds. What they are of, and what was
          measured in them, stands in the JSON of everything.
        </Words>
        <Row>
          <Button label="Photographs as ZIP" onPress={() => platform().saveFrom('/api/record/pictures.zip')} />
        </Row>
      </Part>
      {isKeeper ? (
        <>
          <TakeIn
            title="Take a record in"
            text="A JSON file of the whole record. What it would add or change is said first; then all of it goes in, or nothing."
            label="Open a JSON file"
            open={openRecord}
            send={sendRecord}
          />
          <TakeIn
            title="Take photographs in"
            text="The ZIP of a workshop whose record was taken in before. Each file is held against its name first; then all of them go in, or none."
            label="Open a ZIP"
            open={openZip}
            send={sendPictures}
          />
        </>
      ) : (
        <Part title="Take a record in">
          <Words>A whole record, and the photographs of one, are taken in by the keeper.</Words>
        </Part>
      )}
      <ListIn />
      <CopiesPart />
    </ScrollView>
  );
}

type State<Content> =
  | { at: 'nothing' }
  | { at: 'busy'; what: string }
  | { at: 'read'; name: string; content: Content; taken: Taken }
  | { at: 'done'; name: string; taken: Taken };

type TakeInProps<Content> = {
  title: string;
  text: string;
  label: string;
  open: () => Promise<{ name: string; content: Content } | null>;
  /** Sends it; as a preview it only says what it comes to. */
  send: (content: Content, preview: boolean) => Promise<Taken>;
};

/** A file that was written here or elsewhere: what it comes to first, then, said once more, all of it or nothing. */
function TakeIn<Content>({ title, text, label, open, send }: TakeInProps<Content>) {
  const client = useQueryClient();
  const [state, setState] = useState<State<Content>>({ at: 'nothing' });
  const [problem, setProblem] = useState<string | null>(null);
  const attempt = async (work: () => Promise<State<Content>>): Promise<void> => {
    setProblem(null);
    const before = state;
    try {
      setState(await work());
    } catch (error) {
      setState(before.at === 'busy' ? { at: 'nothing' } : before);
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  const choose = (): Promise<void> =>
    attempt(async () => {
      const file = await open();
      if (file === null) return state;
      setState({ at: 'busy', what: `Reading ${file.name}…` });
      return { at: 'read', ...file, taken: await send(file.content, true) };
    });
  const take = ({ name, content }: { name: string; content: Content }): Promise<void> =>
    attempt(async () => {
      setState({ at: 'busy', what: `Taking ${name} in…` });
      const taken = await send(content, false);
      // Meanwhile something of it may have become another here: then it is read anew.
      if (!taken.done) return { at: 'read', name, content, taken };
      void client.invalidateQueries();
      return { at: 'done', name, taken };
    });
  return (
    <Part title={title}>
      <Words>{text}</Words>
      <Row>
        <Button label={label} disabled={state.at === 'busy'} onPress={() => void choose()} />
      </Row>
      {state.at === 'busy' && <Words role="status">{state.what}</Words>}
      {problem !== null && <Words role="alert" strong>{`Not taken in. ${problem.replace(/\.?$/, '.')}`}</Words>}
      {state.at === 'read' && <TakenPreview name={state.name} taken={state.taken} onTake={() => void take(state)} />}
      {state.at === 'done' && (
        <View role="status" className="gap-2 rounded-md bg-plate p-3">
          <Words strong>{`${state.name} is taken in.`}</Words>
          <Counts taken={state.taken} />
        </View>
      )}
    </Part>
  );
}

async function openRecord(): Promise<{ name: string; content: string } | null> {
  const file = await platform().openFile(['application/json', '.json'], MOST_MB);
  return file === null ? null : { name: file.name, content: file.text };
}

async function openZip(): Promise<{ name: string; content: Blob } | null> {
  const file = await platform().openBlob(['application/zip', '.zip'], MOST_ZIP_MB);
  return file === null ? null : { name: file.name, content: file.blob };
}
