import * as access from '../../core/access/access-schema';
import * as people from '../../core/access/people-schema';
import * as beadParts from '../../core/case/bead-parts';
import { EARLIER_SCHEMA } from '../../core/case/earlier-schema';
import { EXPERIENCE_SCHEMA, MACHINE_SCHEMA } from '../../core/case/experience-schema';
import { HEARD_SCHEMA } from '../../core/case/heard-schema';
import { DIAL_SCHEMA, RIG_SCHEMA } from '../../core/case/rig-schema';
import { CASE_SCHEMA, CONCERNS, JOB_SCHEMA, PREFERENCES_SCHEMA, PROCEDURE_SCHEMA } from '../../core/case/schema';
import { CAUSE_IDS, CHECK_IDS, STATED_IDS } from '../../core/evidence/ids';
import * as levels from '../../core/inspection/level-schema';
import { TEACHING_SCHEMA } from '../../core/learning/teaching';
import * as beads from '../../core/record/shapes/bead-schema';
import * as care from '../../core/record/shapes/care-schema';
import * as changes from '../../core/record/change/change-schema';
import { COUPON_CHANGE_SCHEMA } from '../../core/record/kinds/coupons';
import { RIG_CHANGE_SCHEMA } from '../../core/record/kinds/rigs';
import { CHARTS_SCHEMA } from '../../core/record/shapes/charts-schema';
import { COPIES_SCHEMA } from '../../core/record/shapes/copies-schema';
import * as log from '../../core/record/shapes/log-entry-schema';
import { WORN_SCHEMA } from '../../core/record/shapes/part-wear';
import * as pictures from '../../core/record/shapes/picture-schema';
import { RECORD_SCHEMA } from '../../core/record/file/record-file-schema';
import * as record from '../../core/record/shapes/record-schema';
import * as savedSettings from '../../core/record/shapes/saved-setting-schema';
import * as welds from '../../core/record/shapes/weld-schema';
import { ID, INSTANT, name, note } from '../../core/schema/parts';
import { SETTING_NAMES } from '../../core/setting/table';
import { PROBLEM_SCHEMA } from '../errors/problem';
import { ANSWER_SCHEMA, CHART_SCHEMA, START_SCHEMA } from './answer-schema';

/** Schemas that the published description holds once each, by the names that other people's tools give their types. */
const COMPONENTS: Record<string, object> = {
  Problem: PROBLEM_SCHEMA,
  Id: ID,
  Instant: INSTANT,
  IdOrNull: { ...ID, type: ['string', 'null'] },
  InstantOrNull: { ...INSTANT, type: ['string', 'null'] },
  ...Object.fromEntries([60, 80, 120, 200].map((most) => [`Line${most}`, name(most)])),
  ...Object.fromEntries([500, 1000, 2000, 4000].map((most) => [`Text${most}`, note(most)])),
  SettingName: { enum: SETTING_NAMES },
  Concern: { enum: CONCERNS },
  CauseIds: { enum: CAUSE_IDS },
  StatedIds: { enum: STATED_IDS },
  CheckIds: { enum: CHECK_IDS },
  Case: CASE_SCHEMA,
  Job: JOB_SCHEMA,
  Procedure: PROCEDURE_SCHEMA,
  Preferences: PREFERENCES_SCHEMA,
  RigFacts: RIG_SCHEMA,
  Dial: DIAL_SCHEMA,
  Settings: beadParts.SETTINGS_SCHEMA,
  Readings: beadParts.READINGS_SCHEMA,
  Findings: beadParts.FINDINGS_SCHEMA,
  Experience: EXPERIENCE_SCHEMA,
  Machine: MACHINE_SCHEMA,
  CaseTimes: EXPERIENCE_SCHEMA.properties.suspects,
  Heard: HEARD_SCHEMA,
  Earlier: EARLIER_SCHEMA,
  Answer: ANSWER_SCHEMA,
  Start: START_SCHEMA,
  SafetyGate: ANSWER_SCHEMA.properties.gate,
  DrawnBead: ANSWER_SCHEMA.properties.appearance.properties.now,
  ArcNow: ANSWER_SCHEMA.properties.correction.properties.before,
  Moves: ANSWER_SCHEMA.properties.correction.properties.moves,
  Misfit: ANSWER_SCHEMA.properties.held.items,
  SettingsChart: CHART_SCHEMA,
  Teaching: TEACHING_SCHEMA,
  NewSetup: record.NEW_SETUP_SCHEMA,
  Setup: record.SETUP_SCHEMA,
  NewRig: record.NEW_RIG_SCHEMA,
  Rig: record.RIG_RECORD_SCHEMA,
  JobVersion: record.JOB_VERSION_SCHEMA,
  NewCoupon: record.NEW_COUPON_SCHEMA,
  CouponRow: record.COUPON_ROW_SCHEMA,
  CouponSummary: record.COUPON_SUMMARY_SCHEMA,
  Coupon: record.COUPON_SCHEMA,
  CouponPage: record.COUPON_PAGE_SCHEMA,
  Move: beads.TAKEN_MOVE_SCHEMA,
  Verdict: beads.VERDICT_SCHEMA,
  Appearance: beads.APPEARANCE_SCHEMA,
  AppearanceOrNull: { ...beads.APPEARANCE_SCHEMA, type: ['object', 'null'] },
  NewBead: beads.NEW_BEAD_SCHEMA,
  BeadChange: beads.BEAD_CHANGE_SCHEMA,
  Bead: beads.BEAD_SCHEMA,
  MoveOrNull: beads.BEAD_SCHEMA.properties.move,
  CauseTimes: beads.BEAD_SCHEMA.properties.experience.properties.suspects,
  BeadExperience: beads.BEAD_SCHEMA.properties.experience,
  NewSavedSetting: savedSettings.NEW_SAVED_SETTING_SCHEMA,
  SavedSettingChange: savedSettings.SAVED_SETTING_CHANGE_SCHEMA,
  SavedSetting: savedSettings.SAVED_SETTING_SCHEMA,
  SavedSettingPage: savedSettings.SAVED_SETTING_PAGE_SCHEMA,
  NewWeld: welds.NEW_WELD_SCHEMA,
  WeldChange: welds.WELD_CHANGE_SCHEMA,
  Measured: welds.MEASURED_SCHEMA,
  NewInspection: welds.NEW_INSPECTION_SCHEMA,
  Inspection: welds.INSPECTION_SCHEMA,
  NewRepair: welds.NEW_REPAIR_SCHEMA,
  Weld: welds.WELD_SCHEMA,
  WeldPage: welds.WELD_PAGE_SCHEMA,
  Limits: levels.LIMITS_SCHEMA,
  LevelCopy: levels.LEVEL_COPY_SCHEMA,
  Level: levels.LEVEL_SCHEMA,
  LevelChange: levels.LEVEL_CHANGE_SCHEMA,
  NewCare: care.NEW_CARE_SCHEMA,
  CareKnown: care.CARE_KNOWN_SCHEMA,
  PartWear: WORN_SCHEMA,
  NewPicture: pictures.NEW_PICTURE_SCHEMA,
  PictureChange: pictures.PICTURE_CHANGE_SCHEMA,
  Measuring: pictures.PICTURE_CHANGE_SCHEMA.properties.measuring,
  KnownLength: pictures.PICTURE_CHANGE_SCHEMA.properties.measuring.properties.scale,
  PictureFile: pictures.PICTURE_FILE_SCHEMA,
  Picture: pictures.PICTURE_SCHEMA,
  Pictures: pictures.PICTURES_SCHEMA,
  CouponChange: COUPON_CHANGE_SCHEMA,
  RigChange: RIG_CHANGE_SCHEMA,
  Change: changes.ANY_CHANGE_SCHEMA,
  Changed: changes.CHANGED_SCHEMA,
  Changes: changes.CHANGES_SCHEMA,
  HistoryEntry: changes.HISTORY_ENTRY_SCHEMA,
  LogEntry: log.ENTRY_SCHEMA,
  LogPage: log.ENTRY_PAGE_SCHEMA,
  LogFacets: log.FACETS_SCHEMA,
  LogCounts: log.FACETS_SCHEMA.properties.causes,
  LogCharts: CHARTS_SCHEMA,
  Copies: COPIES_SCHEMA,
  Record: RECORD_SCHEMA,
  NewSession: access.NEW_SESSION_SCHEMA,
  Session: access.SESSION_SCHEMA,
  DeviceChange: access.DEVICE_CHANGE_SCHEMA,
  Device: access.DEVICE_SCHEMA,
  Devices: access.DEVICES_SCHEMA,
  JoinCode: access.JOIN_CODE_SCHEMA,
  NewPassPhrase: access.NEW_PASS_PHRASE_SCHEMA,
  Person: people.PERSON_SCHEMA,
  NewPerson: people.NEW_PERSON_SCHEMA,
  PersonChange: people.PERSON_CHANGE_SCHEMA,
  PersonPick: people.PICK_SCHEMA,
  OwnPhrase: people.OWN_PHRASE_SCHEMA,
  Following: people.FOLLOWING_SCHEMA,
  FollowingChange: people.FOLLOWING_CHANGE_SCHEMA,
};

/** Shorter than this a schema is as quickly read in its place, characters. */
const WORTH_A_NAME = 80;
const NAMES = new Map(
  Object.entries(COMPONENTS)
    .filter(([, schema]) => JSON.stringify(schema).length >= WORTH_A_NAME)
    .map(([name, schema]) => [JSON.stringify(schema), name]),
);
/** Texts of schemas, which stand in one another many times. */
const texts = new WeakMap<object, string>();
function textOf(schema: object): string {
  const text = texts.get(schema) ?? JSON.stringify(schema);
  texts.set(schema, text);
  return text;
}

/** Returns a schema with a reference wherever a named one stands in it. @param isNamed leaves the outermost as it is */
export function withReferences(schema: unknown, isNamed = false): unknown {
  if (typeof schema !== 'object' || schema === null) return schema;
  if (Array.isArray(schema)) return schema.map((one) => withReferences(one));
  const name = isNamed ? undefined : NAMES.get(textOf(schema));
  if (name !== undefined) return { $ref: `#/components/schemas/${name}` };
  // A document has one dialect, and its own addresses.
  const own = Object.entries(schema).filter(([key]) => key !== '$schema' && key !== '$id');
  return Object.fromEntries(own.map(([key, value]) => [key, withReferences(value)]));
}

/** Returns the named schemas that something refers to, and that those refer to. @param document what refers */
export function componentsIn(document: unknown): Record<string, unknown> {
  const found = new Map<string, unknown>();
  const look = (text: string): void => {
    for (const [, name] of text.matchAll(/"#\/components\/schemas\/(\w+)"/g)) {
      if (found.has(name)) continue;
      const schema = withReferences(COMPONENTS[name], true);
      found.set(name, schema);
      look(JSON.stringify(schema));
    }
  };
  look(JSON.stringify(document));
  return Object.fromEntries(found);
}
