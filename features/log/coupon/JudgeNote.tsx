import { useState } from 'react';
import { View } from 'react-native';
import { OUTCOME_WORDS } from '@/core/record/words/outcome';
import type { Bead, BeadChange, Outcome } from '@/core/record/shapes/record-schema';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { TextField } from '@/ui/TextField';
import { Words } from '@/ui/Words';
import { makeChange } from '../../../client/send-changes';
import { useSubmit } from '../../../client/use-records';

const OUTCOMES = Object.entries(OUTCOME_WORDS).map(([value, label]) => ({
  value: value as NonNullable<Outcome>,
  label,
}));

/** Judges a bead that is logged, and notes something on it. */
export function JudgeNote({ bead }: { bead: Bead }) {
  const [open, setOpen] = useState(false);
  return open ? (
    <JudgeNoteForm bead={bead} onDone={() => setOpen(false)} />
  ) : (
    <Row>
      <Button label={bead.note === '' ? 'Judge or note' : 'Judge, or change the note'} onPress={() => setOpen(true)} />
    </Row>
  );
}

function JudgeNoteForm({ bead, onDone }: { bead: Bead; onDone: () => void }) {
  // What another device changes meanwhile moves nothing here: only what is changed in this form is sent.
  const [from] = useState(bead);
  const [outcome, setOutcome] = useState(from.outcome);
  const [note, setNote] = useState(from.note);
  const { put, busy, problem } = useSubmit();
  const fields: BeadChange = {
    ...(outcome === from.outcome ? {} : { outcome }),
    ...(note === from.note ? {} : { note }),
  };
  const save = async (): Promise<void> => {
    const isKept =
      Object.keys(fields).length === 0 || (await put([makeChange('change-bead', from.id, fields, from.revision)]));
    if (isKept) onDone();
  };
  return (
    <View role="group" aria-label={`Judge bead ${bead.number}`} className="gap-3">
      <Choice
        label={`How bead ${bead.number} was`}
        options={OUTCOMES}
        chosen={outcome}
        onChoose={(chosen) => setOutcome(chosen === outcome ? null : chosen)}
      />
      <TextField label="Note" value={note} onChange={setNote} maxLength={2000} lines={2} />
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
      <Row className="gap-2">
        <Button label="Leave it" onPress={onDone} />
        <Button tone="act" className="flex-1" label="Keep it" disabled={busy} onPress={() => void save()} />
      </Row>
    </View>
  );
}
