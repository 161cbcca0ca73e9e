import { SETTINGS, type ReadSetting, type SettingName } from '../setting/table';
import { isCheckId, isStatedId, type CheckId, type FindingId, type StatedId } from './ids';

/** Findings that a recording of the arc can speak for. */
export const HEARD_IDS = ['sound-popping', 'sound-hiss', 'sound-plop', 'sound-sputter', 'bead-fades'] as const;
export type HeardId = (typeof HEARD_IDS)[number] & FindingId;

/** The one table of what can speak for or against a cause. */
export type FieldEvidence =
  | `setting:${SettingName}`
  | `heard:${HeardId}`
  | 'rig:polarity'
  | 'rig:gas'
  | 'rig:wire'
  | 'rig:roll'
  | 'rig:tip'
  | 'rig:liner'
  | 'rig:cylinder'
  | 'rig:experience'
  | 'coupon:beads'
  | 'coupon:changes'
  | 'job:surface'
  | 'job:draught'
  | 'job:joint'
  | 'job:position'
  | 'job:baseMetal'
  | 'job:thicknessMm'
  | 'job:gapMm'
  | 'job:place';

/** What stands before a reason: a finding, a check, or a field of the case. */
export type EvidenceId = `finding:${FindingId}` | `check:${CheckId}` | FieldEvidence;

const settingWords = Object.fromEntries(
  Object.entries(SETTINGS).map(([id, { name }]) => [`setting:${id}`, name]),
) as Record<`setting:${SettingName}`, string>;

/** What a field of the case is called when it speaks. */
export const FIELD_WORDS: Record<FieldEvidence, string> = {
  ...settingWords,
  'setting:wireSpeedMPerMin': 'Wire speed against the plate',
  'heard:sound-popping': 'Recording: uneven pops',
  'heard:sound-hiss': 'Recording: few clicks',
  'heard:sound-plop': 'Recording: next to no clicks',
  'heard:sound-sputter': 'Recording: comes and goes',
  'heard:bead-fades': 'Recording: thins out along the run',
  'rig:polarity': 'Studs',
  'rig:gas': 'Gas label',
  'rig:wire': 'Spool',
  'rig:roll': 'Drive roll as recorded',
  'rig:tip': 'Contact tip as recorded',
  'rig:liner': 'Liner as recorded',
  'rig:cylinder': 'Cylinder as recorded',
  'rig:experience': 'This rig before',
  'coupon:beads': 'The beads before',
  'coupon:changes': 'What the changes did',
  'job:surface': 'The surface',
  'job:draught': 'Draught',
  'job:joint': 'The joint',
  'job:position': 'The position',
  'job:baseMetal': 'The metal',
  'job:thicknessMm': 'The thickness',
  'job:gapMm': 'The gap',
  'job:place': 'Where it is done',
};

/** The evidence that a finding or check gives. */
export function evidenceOfStated(id: StatedId): EvidenceId {
  return isCheckId(id) ? `check:${id}` : `finding:${id}`;
}

/** The finding or check behind an evidence id, or null for a field of the case. */
export function statedOfEvidence(evidence: EvidenceId): StatedId | null {
  if (!evidence.startsWith('finding:') && !evidence.startsWith('check:')) return null;
  const id = evidence.slice(evidence.indexOf(':') + 1);
  return isStatedId(id) ? id : null;
}

/** A residual of the arc model or the rig, about 0 when all is well and 1 at the edge of normal. */
export type ResidualName =
  | 'balance'
  | 'heat'
  | 'heatOfPair'
  | 'flow'
  | 'stickOut'
  | 'travel'
  | 'push'
  | 'gunWay'
  | 'arcControl'
  | 'polarityMatch'
  | 'gasMatch'
  | 'wireMatch'
  | 'rollMatch'
  | 'tipMatch'
  | 'linerMatch'
  | 'cylinder'
  | 'gap'
  | 'transferZone'
  | 'amps';

type FigureEntry = {
  evidence: FieldEvidence;
  /** What to say when the figure speaks against a cause. */
  against: string;
  /** The setting whose figure, once entered, gives this residual; null where none is asked for. */
  waitsFor: ReadSetting | null;
};

/** The figures that can speak: each compares something recorded with what the arc model or the wire wants. */
export const FIGURES: Record<ResidualName, FigureEntry> = {
  balance: {
    evidence: 'setting:voltageV',
    against: 'the volts do not lie on that side of balance',
    waitsFor: 'voltageV',
  },
  heat: {
    evidence: 'setting:wireSpeedMPerMin',
    against: 'the current for this plate does not point that way',
    waitsFor: 'wireSpeedMPerMin',
  },
  heatOfPair: {
    evidence: 'setting:wireSpeedMPerMin',
    against: 'by the heat of this plate it is rather the other of the pair',
    waitsFor: 'wireSpeedMPerMin',
  },
  flow: { evidence: 'setting:gasFlowLPerMin', against: 'the flow lies in its window', waitsFor: 'gasFlowLPerMin' },
  stickOut: { evidence: 'setting:stickOutMm', against: 'the stick-out is not off that way', waitsFor: 'stickOutMm' },
  travel: {
    evidence: 'setting:travelSpeedMmPerMin',
    against: 'the pace was not off that way',
    waitsFor: 'travelSpeedMmPerMin',
  },
  push: { evidence: 'setting:travelAngleDeg', against: 'the gun angle is moderate', waitsFor: null },
  gunWay: { evidence: 'setting:travelAngleDeg', against: 'the gun was led as this wire wants it', waitsFor: null },
  arcControl: { evidence: 'setting:arcControlPct', against: 'the arc control is not off that way', waitsFor: null },
  polarityMatch: { evidence: 'rig:polarity', against: 'recorded as this wire wants it', waitsFor: null },
  gasMatch: { evidence: 'rig:gas', against: 'the recorded mix suits wire and metal', waitsFor: null },
  wireMatch: { evidence: 'rig:wire', against: 'the recorded wire suits the metal', waitsFor: null },
  rollMatch: { evidence: 'rig:roll', against: 'the recorded roll is for this wire', waitsFor: null },
  tipMatch: { evidence: 'rig:tip', against: 'the recorded tip is for this wire', waitsFor: null },
  linerMatch: { evidence: 'rig:liner', against: 'the recorded liner is for this wire', waitsFor: null },
  cylinder: { evidence: 'rig:cylinder', against: 'the cylinder still had gas', waitsFor: null },
  gap: { evidence: 'job:gapMm', against: 'so small a gap is normal on this thickness', waitsFor: null },
  transferZone: {
    evidence: 'setting:wireSpeedMPerMin',
    against: 'the current lies clear of the spray transition',
    waitsFor: null,
  },
  amps: {
    evidence: 'setting:currentA',
    against: 'the amps are what this wire speed gives at that stick-out',
    waitsFor: null,
  },
};
