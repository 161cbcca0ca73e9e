import { fieldWords } from '@/core/record/words/change-words';
import type { ChangeKind } from '@/core/record/kinds/all';
import { CONFLICTS, type Conflict } from '@/client/stored/device-state';
import { useStoredPart } from '@/platform/stored';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { settleConflict } from '../../client/conflicts';
import { makeChange } from '../../client/send-changes';
import { useCoupon, useSubmit } from '../../client/use-records';

const FIELD_WORDS: Record<string, string> = {
  outcome: 'judgement',
  note: 'note',
  title: 'name',
  name: 'name',
  rigId: 'rig',
  putAway: 'place',
  jobId: 'job',
  setupId: 'fitting',
  limits: 'limits',
  use: 'use',
};

/** Fields whose earlier value can be put back as it is. */
const CAN_GO_BACK = ['outcome', 'note', 'title', 'name', 'use', 'rigId', 'putAway'];

/** Returns what was changed by two, in words. */
function whatWords({ kind, field }: Conflict, bead: number | null, title: string | null): string {
  const what = FIELD_WORDS[field] ?? field;
  if (kind === 'change-bead') return `The ${what} of bead ${bead ?? ''}${title === null ? '' : ` on ${title}`}`;
  return `The ${what} of ${OF_WORDS[kind] ?? title ?? 'a coupon'}`;
}

/** What a change is of, where it is no coupon and no bead. */
const OF_WORDS: { [kind in ChangeKind]?: string } = {
  'change-rig': 'a rig',
  refit: 'a rig',
  'change-proven': 'a kept setting',
  'change-weld': 'a weld',
  'change-level': 'a level of acceptance',
};

/** Says where two devices changed one thing: what stands, what stood before, and the way back. */
export function ConflictNote() {
  const first = useStoredPart(CONFLICTS, (all) => all.find(({ settled }) => !settled));
  return first === undefined ? null : <OneConflict key={first.id} conflict={first} />;
}

function OneConflict({ conflict }: { conflict: Conflict }) {
  const { id, kind, of, couponId, field, was, now, revision, mine } = conflict;
  const coupon = useCoupon(couponId).data ?? null;
  const { put, busy } = useSubmit();
  const bead = coupon?.beads.find((one) => one.id === of)?.number ?? null;
  const values = CAN_GO_BACK.includes(field) && field !== 'rigId';
  const stands = values ? `${fieldWords(field, now)} stands` : 'the later one stands';
  const whose = mine === 'later' ? 'yours, the later one' : 'from another device, the later one';
  const putBack = async (): Promise<void> => {
    const fields = { [field]: was } as never;
    if (await put([makeChange(kind as Extract<ChangeKind, 'change-bead'>, of, fields, revision)])) settleConflict(id);
  };
  return (
    <Row role="status" className="flex-wrap items-center gap-2 border-b-2 border-ink bg-plate px-4 py-2">
      <Words className="min-w-64 flex-1">
        {`${whatWords(conflict, bead, coupon?.title ?? null)} was changed on two devices: ${stands} (${whose})${values ? `; before it was ${fieldWords(field, was)}` : ''}.`}
      </Words>
      <Row className="gap-2">
        {CAN_GO_BACK.includes(field) && (
          <Button
            label={values ? `Put ${fieldWords(field, was)} back` : 'Put it back'}
            disabled={busy}
            onPress={() => void putBack()}
          />
        )}
        <Button label="Leave it" onPress={() => settleConflict(id)} />
      </Row>
    </Row>
  );
}
