import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { Image, ScrollView, useWindowDimensions, View } from 'react-native';
import { doubtsOf, type Doubt, type Point } from '@/core/picture/measure';
import { PICTURE_VIEWS, VIEW_WORDS } from '@/core/picture/sizes';
import { weldForm } from '@/core/inspection/measures';
import type { Job } from '@/core/case/schema';
import type { ShownPicture } from '@/core/record/pending/pending-pictures';
import { measuringOn } from '@/client/stored/work-drafts';
import { useStored } from '@/platform/stored';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { TextField } from '@/ui/TextField';
import { useTitle } from '@/ui/use-keys';
import { WIDE } from '@/ui/wide';
import { Heading, Words } from '@/ui/Words';
import { makeChange } from '../../client/send-changes';
import { useUnits } from '../shared/use-habits';
import { useLeadOn } from '../shared/use-lead-on';
import { usePictureSource } from '../../client/use-pictures';
import { useSubmit } from '../../client/use-records';
import { aimAt, draftOf, heldPoint, measuringOf, moveHeld, removeSize, tapAt } from './measure-work';
import { Found, Now, What } from './MeasureParts';
import { FINER, MeasureStage, REACH, useStageSize } from './MeasureStage';

const DOUBT_WORDS: Record<Doubt, string> = {
  unchecked:
    'Hold the camera square above, not close, with the known thing at the same height as what is measured. Held aslant, everything is out; a second known length, across the first, shows by how much.',
  aslant: 'The two known lengths do not agree: the camera was held aslant. Take the picture anew, square above.',
  'short-scale': 'The known length is much shorter than what is measured by it: a longer one is surer.',
};

/** Returns how high a picture is for its width, as it is shown; null while that is not known. */
function useAspect({ file }: ShownPicture, source: string | null): number | null {
  const [aspect, setAspect] = useState<number | null>(null);
  useEffect(() => {
    if (file !== null || source === null) return;
    Image.getSize(
      source,
      (width, height) => setAspect(height / width),
      () => setAspect(null),
    );
  }, [file, source]);
  return file === null ? aspect : file.height / file.width;
}

type PlaceProps = {
  picture: ShownPicture;
  /** What it is of: "Bead 3". */
  of: string;
  job: Job;
  /** Whence one came, and goes when it is done. */
  back: { label: string; href: string };
};

/** One photograph: from where it was taken, what is measured in it, and how sure that is. */
export function MeasurePlace({ picture, of, job, back }: PlaceProps) {
  useTitle(`Photograph of ${of.toLowerCase()}`);
  const units = useUnits();
  const router = useRouter();
  const leadOn = useLeadOn();
  const { width: screen, height: tall } = useWindowDimensions();
  const isWide = screen >= WIDE;
  const { put, busy, problem } = useSubmit();
  const [arrows, setArrows] = useState(false);
  const source = usePictureSource(picture, 'whole');
  const aspect = useAspect(picture, source);
  const [kept, setDraft] = useStored(measuringOn(picture.id));
  const draft = useMemo(() => kept ?? draftOf(picture, units), [kept, picture, units]);
  const { width, height, onLayout } = useStageSize(aspect ?? 0.7, isWide ? tall - 40 : tall * 0.44);
  const form = weldForm(job.joint);
  const measuring = useMemo(() => measuringOf(draft), [draft]);
  const title = `Photograph of ${of.toLowerCase()}, ${VIEW_WORDS[picture.view].toLowerCase()}`;

  const change = (fields: object): Promise<boolean> =>
    put([makeChange('change-picture', picture.id, fields, picture.revision)]);
  /** One point of the magnifier, or of the file where that is coarser, in parts of the width. */
  const fineness = Math.max(1 / (FINER * Math.max(1, width)), 1 / (picture.file?.width ?? 3200));
  const tap = (point: Point): Point | null => {
    const next = { ...tapAt(draft, point, REACH / width), fineness: Math.max(fineness, draft.fineness ?? 0) };
    setDraft(next);
    return heldPoint(next);
  };
  const save = async (): Promise<void> => {
    if (!(await change({ measuring, note: draft.note }))) return;
    setDraft(null);
    leadOn(back.href as never);
  };
  const stage = (
    <View onLayout={onLayout} className="w-full items-center">
      {source !== null && aspect !== null && width > 0 ? (
        <MeasureStage
          {...{ source, title, width, height, draft, arrows }}
          onTap={(point) => {
            setArrows(false);
            return tap(point);
          }}
          onSlide={(point) => setDraft(moveHeld(draft, point, aspect))}
        />
      ) : (
        <Words role="status" className="p-6 text-faint">
          Its file is not here: it comes when the server is there.
        </Words>
      )}
    </View>
  );
  const panel = (
    <View className="gap-4">
      <Choice
        label="Taken of"
        options={PICTURE_VIEWS.map((view) => ({ value: view, label: VIEW_WORDS[view] }))}
        chosen={picture.view}
        onChoose={(view) => void change({ view })}
      />
      <What draft={draft} view={picture.view} form={form} onAim={(target) => setDraft(aimAt(draft, target))} />
      <Now
        draft={draft}
        job={job}
        step={1 / (FINER * Math.max(1, width))}
        onMove={(by) => {
          const at = heldPoint(draft);
          setArrows(true);
          if (at !== null) setDraft(moveHeld(draft, [at[0] + by[0], at[1] + by[1]], aspect ?? 1));
        }}
        onType={(text) => {
          const { target } = draft;
          if (target === 'scale' || target === 'check') setDraft({ ...draft, [target]: { ...draft[target], text } });
        }}
      />
      <Found draft={draft} onRemove={(i) => setDraft(removeSize(draft, i))} />
      {doubtsOf(measuring).map((doubt) => (
        <Words key={doubt} className="border-l-4 border-ink pl-3 text-sm">
          {DOUBT_WORDS[doubt]}
        </Words>
      ))}
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
      <TextField
        label="Note"
        value={draft.note}
        onChange={(note) => setDraft({ ...draft, note })}
        maxLength={500}
        lines={2}
      />
      <Button tone="act" label="Keep it" disabled={busy || kept === null} onPress={() => void save()} />
      <Row className="flex-wrap gap-2">
        <Button label={back.label} className="flex-1" onPress={() => router.replace(back.href as never)} />
        <Button
          className="flex-1"
          label="Take it away"
          disabled={busy}
          onPress={() => void change({ takenBack: true }).then((done) => done && leadOn(back.href as never))}
        />
      </Row>
    </View>
  );
  const head = <Heading level={1} className="text-xl">{`${of}: photograph`}</Heading>;
  if (isWide)
    return (
      <Row className="h-full flex-1">
        <View className="min-w-0 flex-1 justify-center p-4">{stage}</View>
        <ScrollView className="w-[420px] flex-none border-l-2 border-edge" contentContainerClassName="gap-4 p-4 pb-10">
          {head}
          {panel}
        </ScrollView>
      </Row>
    );
  return (
    <View className="min-h-0 flex-1">
      <View className="px-4 pb-2 pt-3">{head}</View>
      {stage}
      <ScrollView className="flex-1" contentContainerClassName="p-4 pb-10">
        {panel}
      </ScrollView>
    </View>
  );
}
