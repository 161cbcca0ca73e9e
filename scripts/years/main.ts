import { writeFileSync } from 'node:fs';
import { answer } from '../../core/answer';
import { appearanceDifference } from '../../core/bead/appearance';
import type { Job } from '../../core/case/schema';
import type { FittedPart } from '../../core/case/terms';
import type { CareTask } from '../../core/care/tasks';
import { movesNow, nextSettings } from '../../core/correction/next-settings';
import { ENGINE } from '../../core/answer/engine';
import { isCheckId, isStatedId, type CauseId } from '../../core/evidence/ids';
import { afterBead, beforeBeads, machineOf } from '../../core/learning/machine-belief';
import { findingsCarriedOver } from '../../core/correction/carry-over';
import { caseOf } from '../../core/record/draft/case-of';
import { takenMove } from '../../core/record/words/move-words';
import { USUAL_HABITS } from '../../core/record/draft/habits';
import type { Settings } from '../../core/setting/table';
import { stream } from '../../core/chance/stream';
import { looked, lookedOver, runBead, TROUBLE, volunteered, type Knobs } from '../../core/shop/bead';
import { FAULTS, type Fault } from '../../core/shop/faults';
import { type Machine, type Random } from '../../core/shop/world';
import { normalWithTails } from '../../core/chance/normal';
import { BLUE_CART, BOAT_KIT, demoRigs, DOCK_SET } from '../../server/demo/rigs';
import type { DemoDay } from '../../server/demo/years';
import { drawWork, pick, type Work } from './work';
import { weldsOf } from './welds';

/**
 * Writes two years of the canal workshop: `npm run demo-years`. A simulated welder with a fixed seed works on the three
 * machines, whose true figures nobody knows, asks the product and mostly does what it says; parts wear as the arc burns, and
 * are cleaned or fitted anew once a bead has shown it.
 */
const SEED = 20_240_711;
const [OLDEST, NEWEST] = [735, 32];
const COUPONS_A_DAY = 1.75;
const MOST_BEADS = 6;
const LOOK_MINUTES = 3;
/** Length of a coupon's bead, mm, and the pace of what nobody timed, mm/min. */
const [BEAD_MM, PACE] = [100, 350];

const random = stream(SEED);

/** Who welds how often, how far off the figures are set by hand, and how often something else is done than was said. */
const HANDS = [
  { name: 'Ilse', share: 0.45, offV: 0.35, offWire: 0.04, ownWay: 0.04 },
  { name: 'Joos', share: 0.3, offV: 0.6, offWire: 0.06, ownWay: 0.15 },
  { name: 'Wout', share: 0.25, offV: 1, offWire: 0.1, ownWay: 0.2 },
];
type Hand = (typeof HANDS)[number];

const usual = { metal: 'mild-steel' as const, plates: [1, 10] as [number, number] };
const drawn = { burn: 1.02, resistance: 1.05, balanceV: 0.1, transition: 1, plate: 1.02 };
const MACHINES: { id: string; key: string; share: number; machine: Machine }[] = [
  {
    ...{ id: DOCK_SET, key: 'dock', share: 0.5 },
    machine: {
      ...{ ...usual, ...drawn, wire: { class: 'solid-steel', diameterMm: 0.9 }, gas: { argonPct: 82, co2Pct: 18 } },
      ...{ boreMm: 13, offsetV: -1.1, scale: 0.98 },
    },
  },
  {
    ...{ id: BLUE_CART, key: 'cart', share: 0.34 },
    machine: {
      ...{ ...usual, ...drawn, wire: { class: 'solid-steel', diameterMm: 0.8 }, gas: { argonPct: 82, co2Pct: 18 } },
      ...{ boreMm: 12, offsetV: 0.5, scale: 1.04 },
    },
  },
  {
    ...{ id: BOAT_KIT, key: 'boat', share: 0.16 },
    machine: {
      ...{ ...usual, ...drawn, wire: { class: 'tubular-self-shielded', diameterMm: 0.9 }, gas: null },
      ...{ boreMm: 16, offsetV: -0.4, scale: 1.02 },
    },
  },
];

/** Faults that grow with the arc burned since a part was looked after, and at how many minutes they are at their usual chance. */
const WEAR: { [cause in CauseId]?: { at: number; chance: number } } = {
  'tip-worn': { at: 60, chance: 0.14 },
  'nozzle-blocked': { at: 25, chance: 0.16 },
  'liner-dirty': { at: 110, chance: 0.12 },
  'roll-loose': { at: 200, chance: 0.1 },
  'clamp-poor': { at: 150, chance: 0.1 },
};
/** What else comes up, per coupon. */
const CHANCES: { [cause in CauseId]?: number } = {
  'gas-leak': 0.012,
  'plate-dirty': 0.09,
  'crater-unfilled': 0.04,
  'wire-untrimmed': 0.03,
  'travel-fast': 0.05,
  'travel-slow': 0.03,
  'behind-puddle': 0.03,
  'angle-work': 0.03,
  draught: 0.35,
};
/** What is done about a fault besides: a part fitted anew, or something looked after. */
const DONE: { [cause in CauseId]?: { part?: FittedPart; care?: CareTask; orPart?: FittedPart } } = {
  'tip-worn': { part: 'tip' },
  'nozzle-blocked': { care: 'nozzle' },
  'liner-dirty': { care: 'liner', orPart: 'liner' },
  'roll-loose': { care: 'rolls' },
  'clamp-poor': { care: 'clamp' },
  'gas-leak': { care: 'leaks' },
};

const days: DemoDay[] = [];
const told = (day: DemoDay): void => void days.push(day);
const rigs = demoRigs(new Date(0).toISOString());

/** A machine over the two years: what its parts have burned since they were seen to, and what it has taught. */
class Rig {
  readonly id: string;
  readonly key: string;
  readonly machine: Machine;
  readonly setup;
  belief = beforeBeads();
  /** Arc minutes since each fault was last cured. */
  burned: { [cause in CauseId]?: number } = {};
  /** Faults that are there until they are found. */
  standing: Fault[] = [];
  ofSpool = 0;
  ofCylinder = 0;

  constructor({ id, key, machine }: (typeof MACHINES)[number]) {
    this.id = id;
    this.key = key;
    this.machine = machine;
    this.setup = rigs.find((rig) => rig.id === id)!.setup;
  }

  burn(minutes: number): void {
    for (const cause of Object.keys(WEAR) as CauseId[]) this.burned[cause] = (this.burned[cause] ?? 0) + minutes;
    this.ofSpool += minutes;
    this.ofCylinder += minutes;
  }

  /** Returns what is wrong when a coupon is begun. */
  faults(job: Job): Fault[] {
    for (const fault of FAULTS) {
      const wear = WEAR[fault.cause];
      if (wear === undefined || this.standing.includes(fault)) continue;
      if (fault.gas === true && this.machine.gas === null) continue;
      const share = (this.burned[fault.cause] ?? 0) / wear.at;
      if (random() < wear.chance * share ** 3) this.standing.push(fault);
    }
    const once = FAULTS.filter(({ cause, gas }) => {
      if (gas === true && this.machine.gas === null) return false;
      if (cause === 'draught' && job.draught === 'still') return false;
      if (cause === 'plate-dirty' && job.surface?.includes('clean') === true) return random() < 0.03;
      return random() < (CHANCES[cause] ?? 0);
    });
    return [...this.standing, ...once];
  }

  /** A cure that was done: the part begins again. */
  cured(cause: CauseId, at: Pick<DemoDay, 'daysAgo' | 'minute'>, by: string): void {
    const done = DONE[cause];
    if (done === undefined) return;
    // What was not the fault is mostly left as it is once somebody has looked.
    if (!this.standing.some((fault) => fault.cause === cause) && random() < 0.85) return;
    this.standing = this.standing.filter((fault) => fault.cause !== cause);
    this.burned[cause] = 0;
    const part = done.part ?? (done.orPart !== undefined && random() < 0.35 ? done.orPart : undefined);
    if (part !== undefined) told({ kind: 'refit', ...at, rig: this.id, part });
    else if (done.care !== undefined) told({ kind: 'care', ...at, rig: this.id, task: done.care, by });
  }
}

const round = (x: number, to: number): number => Number((Math.round(x / to) * to).toFixed(4));

/** The figures of an answer as a hand sets them: off by so much, on the marks of the knob. */
function setByHand(wanted: Settings, { offV, offWire }: Hand, steady: number): Knobs {
  return {
    voltageV: round((wanted.voltageV ?? 18) + steady * offV * normalWithTails(random), 0.1),
    wireSpeedMPerMin: round((wanted.wireSpeedMPerMin ?? 5) * (1 + steady * offWire * normalWithTails(random)), 0.1),
    stickOutMm: wanted.stickOutMm ?? 12,
    gasFlowLPerMin: wanted.gasFlowLPerMin ?? 0,
  };
}

/** Returns how far from what was said a bead is begun, over what is usual: the workshop gets to know its machines. */
const unsteady = (daysAgo: number): number => 0.6 + 1.1 * ((daysAgo - NEWEST) / (OLDEST - NEWEST));

type Told = Extract<DemoDay, { kind: 'coupon' }>;

/** One coupon from its first bead to a sound one, or until it is given up. */
function coupon(rig: Rig, { title, job }: Work, hand: Hand, at: { daysAgo: number; minute: number }): void {
  const { machine, setup } = rig;
  const thing = { thicknessMm: job.thicknessMm, joint: job.joint ?? 'fillet', position: job.position ?? 'flat' };
  const experience = rig.belief.beads > 0 ? { machine: machineOf(rig.belief) } : undefined;
  const statedAs = (settings: Settings, findings: Told['beads'][number]['findings']) =>
    caseOf(setup, job, { settings, readings: {}, findings, experience }, USUAL_HABITS.schools);
  const asSettings = ({ gasFlowLPerMin, ...rest }: Knobs): Settings =>
    machine.gas === null ? rest : { ...rest, gasFlowLPerMin };
  let faults = rig.faults(job);
  let knobs = setByHand(answer(statedAs({}, {})).correction.settings, hand, unsteady(at.daysAgo));
  let carried: Told['beads'][number]['findings'] = {};
  let before: number | null = null;
  const beads: Told['beads'] = [];
  const cures: CauseId[] = [];
  while (beads.length < MOST_BEADS) {
    const bead = runBead(machine, thing, knobs, faults, random);
    rig.burn(BEAD_MM / PACE);
    const settings = asSettings(knobs);
    const eye = lookedOver(bead, random);
    const trouble = TROUBLE.filter((id) => eye[id] === 'present').length;
    const shown = Object.fromEntries(
      Object.entries(volunteered(eye, random)).filter(([id, state]) => state === 'present' && isStatedId(id)),
    );
    const findings: Told['beads'][number]['findings'] = { ...carried, ...shown };
    if (bead.sound) {
      rig.belief = afterBead(ENGINE, rig.belief, { input: statedAs(settings, findings), sound: true });
      const appearance = appearanceDifference(answer(statedAs(settings, findings)).appearance.now);
      beads.push({ settings, findings, verdict: null, move: null, cured: [], outcome: 'sound', appearance });
      break;
    }
    let said = answer(statedAs(settings, findings));
    for (let spent = 0; ;) {
      const look = said.nextChecks.find(
        ({ check }) => findings[check] === undefined && (isCheckId(check) || check in eye),
      );
      if (look === undefined || spent + look.minutes > LOOK_MINUTES) break;
      spent += look.minutes;
      findings[look.check] = isCheckId(look.check) ? looked(look.check, faults, random) : eye[look.check];
      said = answer(statedAs(settings, findings));
    }
    rig.belief = afterBead(ENGINE, rig.belief, { input: statedAs(settings, findings), sound: false });
    const own = random() < hand.ownWay;
    const moves = own ? [] : movesNow(said.correction, 'one');
    const cured = moves.flatMap((move) => (move.kind === 'remedy' ? [move.cause] : []));
    if (moves.length === 0 && !own) {
      const likeliest = said.causes.find(({ cause }) => DONE[cause] !== undefined && !cures.includes(cause));
      if (likeliest !== undefined) cured.push(likeliest.cause);
    }
    const outcome = before === null ? null : trouble > before ? 'worse' : trouble < before ? 'better' : 'same';
    const [top] = said.causes;
    beads.push({
      ...{ settings, findings, cured, outcome },
      appearance: appearanceDifference(said.appearance.now),
      verdict: top === undefined ? null : { cause: top.cause, probability: Number(top.probability.toFixed(3)) },
      move: takenMove(moves),
    });
    for (const cause of cured) {
      rig.cured(cause, { ...at, minute: at.minute + 6 * beads.length - 2 }, hand.name);
      cures.push(cause);
    }
    faults = faults.filter(({ cause }) => !cured.includes(cause));
    carried = findingsCarriedOver(findings, cured);
    before = cured.length > 0 ? null : trouble;
    knobs = own
      ? { ...knobs, voltageV: round(knobs.voltageV + (random() < 0.5 ? 1 : -1), 0.1) }
      : setByHand({ ...settings, ...nextSettings(settings, said.correction, 'one') }, hand, 0.25);
  }
  const sound = beads[beads.length - 1].outcome === 'sound';
  const kept = sound && random() < 0.42 ? weldsOf(random, { title, job, by: hand.name }) : null;
  if (kept !== null) for (const { lengthMm } of kept.welds) rig.burn(lengthMm / PACE);
  told({ kind: 'coupon', ...at, rig: rig.id, by: hand.name, title, job, beads, ...(kept === null ? {} : { kept }) });
}

function drawHand(random: Random): Hand {
  const at = random();
  return HANDS.find((_, i) => at < HANDS.slice(0, i + 1).reduce((sum, { share }) => sum + share, 0)) ?? HANDS[0];
}

const workshop = MACHINES.map((one) => new Rig(one));
for (let daysAgo = OLDEST; daysAgo >= NEWEST; daysAgo--) {
  if (daysAgo % 7 < 2) continue;
  for (let minute = 20; random() < COUPONS_A_DAY / (1 + COUPONS_A_DAY) && minute < 420; minute += 70) {
    const at = random();
    const rig = workshop[at < MACHINES[0].share ? 0 : at < MACHINES[0].share + MACHINES[1].share ? 1 : 2];
    coupon(rig, drawWork(random, rig.key), drawHand(random), { daysAgo, minute });
    // A spool and a cylinder last so long in what is written down; much of the welding is not.
    const between = { daysAgo, minute: minute + 60, rig: rig.id };
    if (rig.ofSpool > 150) {
      told({ kind: 'refit', ...between, part: 'spool' });
      rig.ofSpool = 0;
    }
    if (rig.machine.gas !== null && rig.ofCylinder > 90 + 20 * random()) {
      told({ kind: 'refit', ...between, part: 'cylinder' });
      rig.ofCylinder = 0;
    }
  }
  if (daysAgo % 35 === 5)
    for (const { id } of MACHINES)
      told({
        kind: 'care',
        daysAgo,
        minute: 440,
        rig: id,
        task: pick(random, ['cable', 'clamp', 'inside']),
        by: 'Joos',
      });
}
days.sort((a, b) => b.daysAgo - a.daysAgo || a.minute - b.minute);
writeFileSync('server/demo/years.jsonl', `${days.map((day) => JSON.stringify(day)).join('\n')}\n`);
const coupons = days.filter((day) => day.kind === 'coupon');
const beads = coupons.flatMap((one) => one.beads);
console.log(
  `${coupons.length} coupons, ${beads.length} beads, ${coupons.filter(({ beads: own }) => own.at(-1)?.outcome === 'sound').length} sound, ${coupons.filter(({ kept }) => kept !== undefined).length} kept, ${days.filter(({ kind }) => kind === 'refit').length} refits, ${days.filter(({ kind }) => kind === 'care').length} looked after`,
);
