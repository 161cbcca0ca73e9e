import { COATS, CONCERNS, POSITIONS } from '../../core/case/schema';
import { CAUSE_IDS, STATED_IDS } from '../../core/evidence/ids';
import { APPEARANCE_SCHEMA } from '../../core/record/shapes/record-schema';
import { RIG_PARTS } from '../../core/start/rig-check';
import { READ_SETTINGS, SETTING_NAMES } from '../../core/setting/table';

/** The shape of an answer, for the published description. Figures are in the inside units; null is "not enough known". */
const object = <P extends Record<string, object>>(properties: P, optional: (keyof P)[] = []) => ({
  type: 'object',
  additionalProperties: false,
  required: Object.keys(properties).filter((key) => !optional.includes(key)),
  properties,
});
const list = (items: object) => ({ type: 'array', items });
const figure = { type: ['number', 'null'] };
const text = { type: 'string' };
const textOrNull = { type: ['string', 'null'] };
const chance = { type: 'number', minimum: 0, maximum: 1 };
const positive = { type: 'number', exclusiveMinimum: 0 };
const causeId = { enum: CAUSE_IDS };
const settings = {
  type: 'object',
  propertyNames: { enum: SETTING_NAMES },
  additionalProperties: { type: 'number' },
};
const orNull = (schema: { type: string }) => ({ ...schema, type: [schema.type, 'null'] });

const transfer = { enum: ['short-circuit', 'globular', 'spray', 'pulse', 'tubular', 'unstable', null] };
const balanceCurve = list(object({ wireSpeedMPerMin: positive, lowV: { type: 'number' }, highV: { type: 'number' } }));
const leaves = object({
  cured: list(causeId),
  findings: { type: 'object', additionalProperties: { const: 'present' } },
  suspects: list(object({ cause: causeId, times: { type: 'number', minimum: 0 } })),
});
const effect = orNull(
  object({
    currentA: figure,
    voltageErrorV: figure,
    heatRatio: figure,
    legMm: figure,
    penetrationMm: figure,
    heatInputKJPerMm: figure,
    transfer,
    arcLengthMm: figure,
    depositionKgPerH: figure,
    gasShare: figure,
  }),
);
const move = {
  oneOf: [
    object({
      kind: { const: 'setting' },
      setting: { enum: SETTING_NAMES },
      from: figure,
      to: { type: 'number' },
      dialFrom: figure,
      dialTo: figure,
      direction: text,
      because: text,
      expect: text,
    }),
    object(
      {
        kind: { const: 'remedy' },
        cause: causeId,
        seen: { type: 'boolean' },
        do: text,
        because: text,
        expect: text,
        caution: text,
      },
      ['caution'],
    ),
  ],
};
/** What can be seen of a finding or check, and how a case states it. */
const statedAnswer = { state: { enum: ['present', 'absent'] }, text } as const;
const wouldBe = orNull(object({ cause: causeId, name: text, probability: chance }));
const window = orNull(object({ low: positive, wanted: positive, high: positive }));
const appearance = { ...APPEARANCE_SCHEMA, required: Object.keys(APPEARANCE_SCHEMA.properties) };

const cautions = list(object({ id: text, stop: { type: 'boolean' }, text }));
const concern = { enum: CONCERNS };
const gate = object({
  asks: list(
    object({ concern, text, answers: list(object({ isSo: { type: 'boolean' }, text })), because: textOrNull }),
  ),
  stops: list(
    object({ id: text, of: { oneOf: [object({ concern }), object({ coat: { enum: COATS } })] }, text, first: text }),
  ),
});
const number = { type: 'number' };
const flag = { type: 'boolean' };
const looksAndSounds = orNull(object({ looks: text, sounds: text }));

const misfit = object({ part: { enum: [...RIG_PARTS, 'procedure'] }, holds: flag, text });
/** What goes with a start whether it has figures or not. */
const besideStart = { cautions, gate, assumed: list(text), held: list(misfit) };

const start = {
  settings,
  marks: { type: 'object', propertyNames: { enum: SETTING_NAMES }, additionalProperties: text },
  otherWay: orNull(
    object({
      transfer: { enum: ['short-circuit', 'spray'] },
      settings,
      marks: { type: 'object', propertyNames: { enum: SETTING_NAMES }, additionalProperties: text },
      currentA: positive,
      because: text,
    }),
  ),
  otherSides: list(text),
  passes: list(
    object({
      number: positive,
      kind: { enum: ['only', 'root', 'fill', 'cap'] },
      legMm: number,
      settings: orNull(settings),
      note: text,
    }),
  ),
  technique: object({
    travelSpeedMmPerMin: positive,
    secondsPer100Mm: positive,
    travelAngleDeg: number,
    workAngleDeg: positive,
    gun: { enum: ['push', 'drag', 'square'] },
    weaves: flag,
    run: text,
    aim: text,
    because: text,
  }),
  times: object({
    preFlowS: figure,
    postFlowS: figure,
    burnBackS: figure,
    runInMPerMin: figure,
    crater: text,
    trigger: { enum: ['2T', '4T'] },
    byHand: list(text),
  }),
  slope: { enum: ['steep', 'flat', null] },
  stitch: orNull(
    object({
      tackEveryMm: positive,
      stitchMm: positive,
      pitchMm: positive,
      pauseS: positive,
      order: list(positive),
      backing: flag,
    }),
  ),
  plug: orNull(object({ holeMm: positive, fillS: positive })),
  protection: object({ shade: object({ least: positive, comfortable: positive }), coats: list(text) }),
  plateHeat: orNull(object({ preheatC: figure, interpassC: positive, onlyByProcedure: flag, because: text })),
  wire: orNull(object({ suits: list(positive), best: positive, fitted: flag })),
  expected: object({
    currentA: figure,
    currentWantedA: figure,
    transfer,
    legMm: figure,
    heatInputKJPerMm: figure,
    depositionKgPerH: figure,
  }),
  looksAndSounds,
  notes: list(text),
  outOfReach: list(text),
  misfits: list(misfit),
};

/** What to start with, for the published description. */
export const START_SCHEMA = {
  oneOf: [
    object({ ...start, ...besideStart, held: { ...list(misfit), maxItems: 0 } }),
    // The figures wait until the rig is put right.
    object({
      settings: { type: 'object', maxProperties: 0 },
      marks: { type: 'object', maxProperties: 0 },
      passes: { type: 'array', maxItems: 0 },
      ...besideStart,
      held: { ...list(misfit), minItems: 1 },
    }),
  ],
};

/** A rig's own settings chart, for the published description. */
export const CHART_SCHEMA = list(
  object({
    thicknessMm: positive,
    position: { enum: POSITIONS },
    settings,
    marks: start.marks,
    currentA: figure,
    transfer,
    passes: { type: 'integer', minimum: 0 },
    proven: flag,
    outOfReach: list(text),
  }),
);

export const ANSWER_SCHEMA = object({
  arc: object({
    currentA: figure,
    balancedVoltageV: figure,
    balanceHalfWidthV: figure,
    voltageErrorV: figure,
    arcLengthMm: figure,
    transfer,
    currentWantedA: figure,
    heatRatio: figure,
    gasFlowWantedLPerMin: figure,
    flowWindow: window,
    gasShare: figure,
    depositionKgPerH: figure,
    areaMm2: figure,
    legMm: figure,
    penetrationMm: figure,
    heatInputKJPerMm: figure,
    expectedTravelMmPerMin: figure,
    legAtMetreMm: figure,
  }),
  causes: list(
    object({
      cause: causeId,
      name: text,
      plain: text,
      probability: chance,
      prior: chance,
      because: list(object({ evidence: text, name: text, weight: { type: 'number' }, because: text })),
      toBeSure: text,
      cure: text,
      prevent: text,
    }),
  ),
  noCause: chance,
  nextChecks: list(
    object({
      check: { enum: STATED_IDS },
      kind: { enum: ['finding', 'check'] },
      name: text,
      plain: text,
      mistakenFor: textOrNull,
      caution: textOrNull,
      bits: positive,
      minutes: positive,
      chance,
      answers: list(object({ ...statedAnswer, leadsTo: wouldBe })),
    }),
  ),
  first: orNull({
    type: 'object',
    oneOf: [object({ kind: { const: 'look' }, check: { enum: STATED_IDS } }), object({ kind: { const: 'move' } })],
  } as { type: string }),
  firstLooks: list(
    object({
      check: { enum: STATED_IDS },
      minutes: positive,
      name: text,
      plain: text,
      caution: textOrNull,
      answers: list(object(statedAnswer)),
    }),
  ),
  telling: list({ enum: STATED_IDS }),
  askFor: orNull(object({ setting: { enum: READ_SETTINGS }, bits: positive })),
  notes: list(object({ kind: { enum: ['contradiction', 'unexplained'] }, about: list(text), text })),
  correction: object({
    settings,
    moves: list(move),
    alternative: object({ moves: list(move), after: effect, withheld: textOrNull }),
    either: flag,
    before: effect,
    after: effect,
    outOfReach: list(text),
    procedure: list(text),
  }),
  cautions,
  gate,
  names: { type: 'object', additionalProperties: text },
  leaves: object({ one: leaves, all: leaves }),
  hand: object({
    angleDeg: { type: 'number' },
    fixed: { type: 'boolean' },
    weaves: { type: 'boolean' },
    because: text,
  }),
  balance: orNull(object({ usual: balanceCurve, learned: orNull(balanceCurve) })),
  held: list(misfit),
  assumed: list(text),
  start: orNull(object(start)),
  nextBead: looksAndSounds,
  appearance: object({ now: appearance, next: appearance }),
  judgedBy: text,
});
