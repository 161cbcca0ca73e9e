import { readArc } from '../../arc/reading';
import { arcSetup } from '../../arc/setup';
import { EXAMPLE_CASE } from '../../cases/example';
import type { Case } from '../../case/schema';
import type { Diagnosis } from '../../diagnosis/diagnose';
import { ENGINE } from '../../answer/engine';
import type { CauseId } from '../../evidence/ids';
import type { Move, SettingMove } from '../moves';
import type { Work } from '../situation';

/** The worked example with some fields changed; `undefined` takes a field out, findings are replaced whole. */
export function variant(
  change: Partial<Record<'job' | 'rig' | 'settings' | 'findings' | 'preferences', object>>,
): Case {
  const { job, rig, settings, findings } = EXAMPLE_CASE;
  return {
    ...EXAMPLE_CASE,
    job: { ...job, ...change.job },
    rig: { ...rig, ...change.rig },
    settings: { ...settings, ...change.settings },
    findings: change.findings ?? findings,
    preferences: change.preferences ?? {},
  } as Case;
}

/** The moves that turn a setting. */
export function settingsMoved(moves: readonly Move[]): SettingMove[] {
  return moves.flatMap((move) => (move.kind === 'setting' ? [move] : []));
}

/** Returns what a correction is worked out from when the causes stand at given chances, whatever the findings say. */
export function workWith(chances: { [id in CauseId]?: number }, input: Case = EXAMPLE_CASE): Work {
  const setup = arcSetup(input);
  const causes = Object.entries(chances)
    .map(([cause, probability]) => ({ cause: cause as CauseId, probability, prior: 0.1, because: [] }))
    .sort((a, b) => b.probability - a.probability);
  const diagnosis = { setup, arc: readArc(setup, input.settings ?? {}), residuals: {}, causes } as unknown as Diagnosis;
  return { engine: ENGINE, input, diagnosis };
}
