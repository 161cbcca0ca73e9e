import { cause as causeById } from '@/core/knowledge';
import { answer as answerTo } from '@/core/answer';
import { ENGINE } from '@/core/answer/engine';
import type { EarlierBead } from '@/core/case/schema';
import { validateCase } from '@/core/case/validate';
import { causeHistory } from '@/core/learning/cause-history';
import { withEarlier } from '@/core/learning/earlier';
import { evidenceOf } from '@/core/learning/machine-belief';
import { teachingOf, type Teaching } from '@/core/learning/teaching';
import { beadFrom, draftFromLast } from '@/core/record/draft/bead-from-draft';
import { caseOf, caseOfBead } from '@/core/record/draft/case-of';
import { emptyDraft, type Draft } from '@/core/record/draft/draft';
import { USUAL_HABITS } from '@/core/record/draft/habits';
import type { Bead, Coupon, Outcome } from '@/core/record/shapes/record-schema';
import { answering } from '@/workers/answer-question';
import { experienceFor, lessonFor } from './state/lesson';
import { ID, openShop } from './testing/shop';

const PLATE: [Record<string, 'present' | 'absent'>, Outcome | null][] = [
  [{ 'holes-scattered': 'present', 'spatter-fine': 'present', 'check-bright': 'absent' }, null],
  [{ 'holes-scattered': 'present', 'check-nozzle': 'present', 'arc-wanders': 'present' }, 'same'],
  [{ 'wire-stubs': 'present', 'bead-ropey': 'present', 'sound-popping': 'present' }, 'better'],
  [{ 'bead-ropey': 'present', 'toe-cold-lap': 'present' }, 'worse'],
];
const NOW = { 'bead-ropey': 'present', 'start-poor': 'present' } as const;

/** Returns what a server makes of a rig that has only these beads. */
function taughtBy(coupon: Coupon): Teaching {
  const judged = coupon.beads.filter(({ outcome }) => outcome !== null);
  const history = coupon.beads.map(({ couponId, number, ranAt, outcome, cured = [] }) => ({
    ...{ couponId, number, ranAt, outcome, cured, rig: coupon.rig.setup.rig },
  }));
  const at = coupon.beads.at(-1)?.ranAt ?? '2026-05-04T10:00:00.000Z';
  return teachingOf(
    { rigId: coupon.rig.id, since: null, runOutScale: null },
    judged.map((bead) => ({
      ...{ beadId: bead.id, couponId: bead.couponId, title: 'Plate', number: bead.number, ranAt: bead.ranAt },
      outcome: bead.outcome,
      evidence: evidenceOf(ENGINE, {
        input: caseOfBead(bead, coupon.rig.setup, coupon.job),
        sound: bead.outcome === 'sound',
      }),
    })),
    causeHistory(history, coupon.rig.setup.rig, at).map((one) => ({ ...one, name: causeById(one.cause).name })),
  );
}

describe('a case with the beads before it, sent by a program', () => {
  it.each([false, true])(
    'is answered as the bench answers on the same history; with what the server made of the rig: %s',
    async (withServer) => {
      const fresh = (await openShop()).coupon();
      let coupon: Coupon = { ...fresh, beads: [] };
      const { setup } = coupon.rig;
      const ask = answering(validateCase);
      const { changes, schools } = USUAL_HABITS;
      const askBench = (draft: Draft) => {
        const taught = taughtBy(coupon);
        const input = caseOf(setup, coupon.job.job, { ...draft, experience: experienceFor(draft, taught) }, schools);
        const reply = ask({ id: 1, input, lesson: lessonFor(coupon, withServer ? taught : null) });
        if ('problem' in reply) throw new Error(reply.problem);
        return reply;
      };
      let draft: Draft = {
        ...emptyDraft(ID(30)),
        settings: { voltageV: 17, wireSpeedMPerMin: 7, stickOutMm: 12, gasFlowLPerMin: 11 },
      };
      PLATE.forEach(([found, outcome], i) => {
        draft = { ...draft, findings: { ...draft.findings, ...found } };
        const { answer, judged } = askBench(draft);
        const ran = { couponId: coupon.id, setupId: setup.id, jobId: coupon.job.id };
        const bead: Bead = {
          ...beadFrom(draft, judged, answer, ran, { changes, schools }, new Date('2026-05-04T10:00:00.000Z')),
          ...{ number: i + 1, outcome, takenBack: false, revision: 1 },
        };
        coupon = { ...coupon, beads: [...coupon.beads, bead] };
        draft = draftFromLast(bead, ID(31 + i));
      });
      draft = { ...draft, findings: { ...draft.findings, ...NOW } };
      const bench = askBench(draft).answer;

      const earlier = coupon.beads.map(({ settings, readings, findings, outcome, cured }): EarlierBead => ({
        ...{ settings, readings, findings, outcome },
        cured: cured as EarlierBead['cured'],
      }));
      expect(earlier.flatMap(({ cured }) => cured).length).toBeGreaterThan(0);
      const bare = caseOf(setup, coupon.job.job, { ...draft, findings: NOW }, schools);
      const { value } = validateCase({ ...bare, earlier });
      const program = answerTo(withEarlier(ENGINE, value!));
      // What a server made of the rig it has rounded.
      const shown = ({ causes, correction }: typeof bench) => ({
        causes: causes.map(({ cause, probability }) => [cause, Number(probability.toFixed(3))]),
        correction,
      });
      expect(shown(program)).toEqual(shown(bench));
      if (!withServer) expect(program).toEqual(bench);
    },
  );
});
