import { useState } from 'react';
import { View } from 'react-native';
import { arcSetup } from '@/core/arc/setup';
import type { Heard } from '@/core/case/schema';
import { balancedOn } from '@/core/diagnosis/heard';
import {
  evennessWords,
  gapWords,
  heardWords,
  LEVEL_WORDS,
  rateWords,
  trendWords,
  UNHEARD_WORDS,
} from '@/core/hearing/heard-words';
import type { Recording } from '@/core/hearing/listen';
import { fileNameOf } from '@/core/files/file-name';
import { platform } from '@/platform/ports';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { RunStrip } from '@/ui/sound/RunStrip';
import { Heading, Words } from '@/ui/Words';
import { wavOf } from '@/workers/listen';
import { useBenchActions, useBenchRecords, useDraftPart, useLive } from '../state/bench';
import { useRecording, type RecordingState } from './use-recording';
import { clamp } from '@/core/quantity/clamp';

/** A recording of the arc: made here or opened, listened to, and put with the bead when that is asked for. */
export default function ListenHere() {
  const { input } = useLive();
  const { lastBead, coupon } = useBenchRecords();
  const { hear } = useBenchActions();
  const kept = useDraftPart((draft) => draft.heard) ?? null;
  const { state, record, stop, leave, open, forget } = useRecording();
  const balanced = balancedOn(arcSetup(input, input.experience?.machine), input);
  const found = state.kind === 'done' ? state.listened.heard : null;
  const shown = found ?? kept;
  const before = lastBead?.heard;
  return (
    <View role="region" aria-label="The arc heard" className="gap-3 rounded-md bg-plate p-3">
      <Heading level={3}>The arc heard</Heading>
      <Going state={state} onStop={stop} onLeave={leave} />
      {state.kind === 'done' && state.listened.heard === null && (
        <Words role="alert">
          <Words strong>Nothing is entered. </Words>
          {UNHEARD_WORDS[state.listened.why]}
        </Words>
      )}
      {shown !== null && <RecordingReport heard={shown} balanced={balanced} name="This bead" />}
      {shown !== null && before !== undefined && lastBead !== null && (
        <Beside now={shown} before={before} beforeName={`Bead ${lastBead.number}`} balanced={balanced} />
      )}
      {found !== null && kept !== found && (
        <Button
          tone="act"
          label="Put it with this bead"
          onPress={() => {
            hear(found);
            forget();
          }}
        />
      )}
      {kept !== null && found === null && (
        <>
          <Words>It speaks in the verdict, beside what you tap yourself. What you tapped of a sound stands.</Words>
          <Button label="Take it off this bead" onPress={() => hear(null)} />
        </>
      )}
      {state.kind === 'done' && state.recording !== null && <SaveIt recording={state.recording} title={coupon.title} />}
      {(state.kind === 'idle' || state.kind === 'done' || state.kind === 'problem') && (
        <Row className="flex-wrap gap-2">
          <Button
            tone={shown === null ? 'act' : 'plain'}
            label={state.kind === 'done' || kept !== null ? 'Record again' : 'Record the arc'}
            onPress={record}
            className="flex-1"
          />
          <Button label="Open a WAV" onPress={open} className="flex-1" />
        </Row>
      )}
      {state.kind === 'idle' && shown === null && (
        <Words className="text-sm text-faint">
          Two seconds of arc or more. Lay the telephone a metre off, out of the spatter, its microphone toward the arc.
          The recording stays on this device, and is gone unless you save it.
        </Words>
      )}
    </View>
  );
}

type GoingProps = { state: RecordingState; onStop: () => void; onLeave: () => void };

/** Shows what goes on while it is recorded and listened to. */
function Going({ state, onStop, onLeave }: GoingProps) {
  switch (state.kind) {
    case 'opening':
      return <Words role="status">Asking for the microphone…</Words>;
    case 'counting':
      return (
        <View className="gap-2">
          <Words role="status" strong className="text-center text-4xl leading-tight">
            {`Helmet down: ${state.left}`}
          </Words>
          <Button label="Leave it" onPress={onLeave} />
        </View>
      );
    case 'recording':
      return (
        <View className="gap-2">
          <Words strong className="text-lg">{`Recording, ${Math.floor(state.seconds)} s`}</Words>
          <LevelBar peak={state.peak} />
          <Words role="status" strong>
            {LEVEL_WORDS[state.level]}
          </Words>
          <Button tone="act" label="Stop and listen" onPress={onStop} />
          <Words className="text-sm text-faint">It stops by itself when the arc is out for three seconds.</Words>
        </View>
      );
    case 'listening':
      return <Words role="status">Listening…</Words>;
    case 'problem':
      return <Words role="alert">{state.text}</Words>;
    default:
      return null;
  }
}

/** Shows how loud it is: from forty decibels under full on the left to full on the right. */
function LevelBar({ peak }: { peak: number }) {
  const share = clamp(1 + Math.log10(Math.max(peak, 1e-6)) / 2, 0, 1);
  return (
    <View
      role="meter"
      aria-label="How loud"
      aria-valuenow={Math.round(100 * share)}
      aria-valuemin={0}
      aria-valuemax={100}
      className="h-6 overflow-hidden rounded-md border-2 border-edge bg-ground"
    >
      <View style={{ width: `${Math.round(100 * share)}%` }} className="h-full bg-ink" />
    </View>
  );
}

/** Shows what was heard, in words and as a strip of the run. */
function RecordingReport({ heard, balanced, name }: { heard: Heard; balanced: number | null; name: string }) {
  const { title, text } = heardWords(heard, balanced);
  return (
    <View className="gap-1">
      <Words role="status">
        <Words strong>{`${title}. `}</Words>
        {text}
      </Words>
      <Strip heard={heard} balanced={balanced} name={name} />
      {balanced !== null && <Words className="text-sm text-faint">Dashed: balance. A black mark: no click.</Words>}
    </View>
  );
}

function Strip({ heard, balanced, name }: { heard: Heard; balanced: number | null; name: string }) {
  const { strip = '' } = heard;
  if (strip === '') return null;
  return (
    <RunStrip
      strip={strip}
      balanced={balanced}
      width={320}
      label={`${name}: ${heard.seconds.toFixed(1)} s of arc, ${rateWords(heard)}, ${evennessWords(heard)}, ${trendWords(heard)}`}
    />
  );
}

const ROWS: readonly { label: string; words: (heard: Heard) => string }[] = [
  { label: 'Clicks', words: rateWords },
  { label: 'They come', words: evennessWords },
  { label: 'Gaps', words: gapWords },
  { label: 'Along the run', words: trendWords },
];

type BesideProps = { now: Heard; before: Heard; beforeName: string; balanced: number | null };

/** This bead beside the one before. */
function Beside({ now, before, beforeName, balanced }: BesideProps) {
  return (
    <>
      <View role="table" aria-label={`This bead beside ${beforeName.toLowerCase()}`} className="gap-1">
        <Row role="row" className="gap-2">
          <View role="columnheader" className="w-24" />
          <View role="columnheader" className="flex-1">
            <Words strong>{beforeName}</Words>
          </View>
          <View role="columnheader" className="flex-1">
            <Words strong>This bead</Words>
          </View>
        </Row>
        {ROWS.map(({ label, words }) => (
          <Row role="row" key={label} className="gap-2 border-t border-edge pt-1">
            <View role="rowheader" className="w-24">
              <Words className="text-faint">{label}</Words>
            </View>
            {[before, now].map((heard, i) => (
              <View role="cell" key={i} className="flex-1">
                <Words>{words(heard)}</Words>
              </View>
            ))}
          </Row>
        ))}
      </View>
      <View>
        <Words className="pt-1 text-sm text-faint">{beforeName}</Words>
        <Strip heard={before} balanced={balanced} name={beforeName} />
      </View>
    </>
  );
}

/** The recording as a file, for whoever wants to keep it. */
function SaveIt({ recording, title }: { recording: Recording; title: string }) {
  const [failed, setFailed] = useState(false);
  const save = (): void => {
    wavOf(recording).then(
      (bytes) => platform().saveFile(`${fileNameOf(title)}-arc.wav`, bytes, 'audio/wav'),
      () => setFailed(true),
    );
  };
  return (
    <>
      <Button label="Save the recording as WAV" onPress={save} />
      {failed && <Words role="alert">The file could not be written.</Words>}
    </>
  );
}
