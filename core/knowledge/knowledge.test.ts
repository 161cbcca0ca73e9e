import Ajv from 'ajv';
import {
  CAUSE_IDS,
  CHECK_IDS,
  FINDING_IDS,
  type CauseId,
  type CheckId,
  type FindingId,
  type StatedId,
} from '../evidence/ids';
import {
  answersOf,
  CAUSES,
  cause,
  check,
  CHECKS,
  finding,
  FINDINGS,
  KNOWLEDGE,
  statedWords,
  type Cause,
  type Knowledge,
} from '.';
import { lintKnowledge } from './lint';
import { OPPOSITES } from './opposites';
import { CAUSE_SCHEMA, CHECK_SCHEMA, FINDING_SCHEMA } from './schema';

/** The lexicon every file and interface may rely on; ids are stable. */
const STABLE_FINDINGS = [
  'bead-ropey bead-flat bead-sunken bead-narrow bead-piled bead-uneven bead-stringy bead-fades bead-widens ripples-pointed',
  'legs-unequal stitch-dimples bead-even toe-cold-lap toe-undercut toe-wetted holes-scattered holes-crater holes-start',
  'holes-wormtracks holes-one-spot holes-through back-no-mark back-heavy back-burned-through back-whiskers back-even',
  'spatter-fine spatter-heavy spatter-big-drops nozzle-clogged spatter-little sound-crisp sound-popping sound-hiss sound-whine',
  'sound-plop sound-sputter wire-stubs wire-burns-back wire-surges wire-birdnest tip-fused arc-wanders arc-blows-aside',
  'arc-flutters start-poor no-feed no-gas-heard residue-white residue-black-soot residue-oxide slag-stuck fume-heavy',
  'section-no-root section-sidewall section-good plate-warped gap-opened crack-centre crack-crater crack-toe',
].flatMap((line) => line.split(' '));

const STABLE_CAUSES = [
  'voltage-low wire-fast voltage-high wire-slow heat-low heat-high heat-buildup stickout-long stickout-short stickout-drift',
  'travel-fast travel-slow behind-puddle angle-work angle-push-steep angle-drag-steep crater-unfilled wire-untrimmed weave-wide',
  'stitch-wide arc-control-crisp arc-control-soft gas-low gas-high gas-leak gas-empty draught nozzle-blocked gun-not-seated',
  'preflow-short gas-wrong plate-dirty plate-zinc plate-damp joint-gap edge-thin tip-worn tip-wrong-size liner-dirty roll-wrong',
  'roll-loose roll-tight brake-tight brake-loose cable-bent wire-rusty polarity-wrong clamp-poor cable-loose supply-weak',
  'trigger-lead-loose wire-wrong arc-blow fast-cooling',
].flatMap((line) => line.split(' '));

describe('knowledge', () => {
  it('has no faults', () => {
    expect(lintKnowledge(KNOWLEDGE)).toEqual([]);
  });

  const first = CAUSES[0];
  const withFirst = (change: Partial<Cause>): Knowledge => ({
    ...KNOWLEDGE,
    causes: [{ ...first, ...change }, ...CAUSES.slice(1)],
  });
  it.each([
    ['a check that does not exist', withFirst({ check: 'check-nothing' as CheckId }), 'does not exist'],
    ['an early look at something else', withFirst({ early: 'check-clamp-side' }), 'does not tell of it'],
    ['no remedy', withFirst({ remedy: { ...first.remedy, plain: '' } }), 'has no remedy'],
    ['a prior of a half', withFirst({ prior: 0.5 }), 'prior takes'],
    ['no links', withFirst({ links: [] }), 'links to no finding'],
    ['a link twice', withFirst({ links: [...first.links, first.links[0]] }), 'links twice'],
    [
      'a link to nothing',
      withFirst({ links: [['bead-purple' as FindingId, 0.4, 'no reason at all']] }),
      'no finding or check',
    ],
    ['a strength of one', withFirst({ links: [['bead-ropey', 1, 'it always shows it']] }), 'strength of bead-ropey'],
    ['a link without a reason', withFirst({ links: [['bead-ropey', 0.5, '']] }), 'has no reason'],
    ['a factor without a reason', withFirst({ priorFactors: [{ when: {}, factor: 2, because: '' }] }), 'prior factor'],
    ['a cause twice', { ...KNOWLEDGE, causes: [...CAUSES, first] }, 'stands twice'],
    [
      'two causes alike',
      { ...KNOWLEDGE, causes: [...CAUSES, { ...first, id: 'luck' as CauseId }] },
      'tells them apart',
    ],
    ['a finding without a cause', { ...KNOWLEDGE, causes: [first] }, 'no cause brings it out'],
    [
      'a finding without a drawing',
      { ...KNOWLEDGE, findings: FINDINGS.map(({ drawing: _, ...rest }) => rest) },
      'has no drawing',
    ],
    [
      'a check that takes no time',
      { ...KNOWLEDGE, checks: CHECKS.map((one) => ({ ...one, minutes: 0 })) },
      'takes no time',
    ],
    [
      'a check that takes yes for an answer',
      { ...KNOWLEDGE, checks: CHECKS.map((one) => ({ ...one, fault: 'Yes.' })) },
      'does not say what is seen',
    ],
    [
      'a check with one answer',
      { ...KNOWLEDGE, checks: CHECKS.map((one) => ({ ...one, clear: one.fault })) },
      'both answers are the same',
    ],
    [
      'a check that asks',
      { ...KNOWLEDGE, checks: CHECKS.map((one) => ({ ...one, name: 'Bright to the eye?' })) },
      'asks a question',
    ],
    [
      'a caution about nothing',
      { ...KNOWLEDGE, cautions: [{ id: 'odd', stop: false, text: 'mind', findings: ['bead-purple' as StatedId] }] },
      'caution odd',
    ],
  ] as [string, Knowledge, string][])('is told of %s', (_, knowledge, fault) => {
    expect(lintKnowledge(knowledge).join('\n')).toContain(fault);
  });

  it('holds exactly the ids of the lexicon, in one order', () => {
    expect(FINDINGS.map(({ id }) => id)).toEqual(FINDING_IDS);
    expect(CHECKS.map(({ id }) => id)).toEqual(CHECK_IDS);
    expect(CAUSES.map(({ id }) => id)).toEqual(CAUSE_IDS);
  });

  it.each([
    ['finding', FINDING_SCHEMA, FINDINGS],
    ['check', CHECK_SCHEMA, CHECKS],
    ['cause', CAUSE_SCHEMA, CAUSES],
  ] as const)('has the shape of its schema: every %s', (_, schema, entries) => {
    const ajv = new Ajv({ allErrors: true });
    for (const entry of entries) {
      ajv.validate(schema, entry);
      expect({ id: entry.id, errors: ajv.errors }).toEqual({ id: entry.id, errors: null });
    }
  });

  it('offers what is seen of a check, the all-clear first, and says which was said', () => {
    expect(answersOf('check-gauge-holds')).toEqual([
      { state: 'absent', text: 'Needle holds' },
      { state: 'present', text: 'Needle drops' },
    ]);
    expect(statedWords('check-gauge-holds', 'absent')).toBe('Gauge with the cylinder shut: needle holds');
    expect(answersOf('bead-ropey').map(({ text }) => text)).toEqual(['Seen', 'Not there']);
    expect(statedWords('bead-ropey', 'present')).toBe('Ropey, humped');
  });

  it('names only findings in its opposites, and never a pair twice', () => {
    const pairs = OPPOSITES.map((pair) => [...pair].sort().join(' '));
    expect(new Set(pairs).size).toBe(pairs.length);
    for (const id of OPPOSITES.flat()) expect(FINDING_IDS).toContain(id);
  });

  it('holds every stable finding and cause', () => {
    expect(FINDINGS.map(({ id }) => id)).toEqual(expect.arrayContaining(STABLE_FINDINGS));
    expect(CAUSES.map(({ id }) => id)).toEqual(expect.arrayContaining(STABLE_CAUSES));
  });

  it('names what it does not hold', () => {
    expect(() => cause('bad-luck' as CauseId)).toThrow('there is no cause "bad-luck"');
    expect(() => finding('bead-purple' as FindingId)).toThrow('bead-purple');
    expect(() => check('check-nothing' as CheckId)).toThrow('check-nothing');
  });

  it('writes tile names a gloved reader can take in: at most 28 letters', () => {
    for (const { name } of [...FINDINGS, ...CAUSES]) expect(name.length).toBeLessThanOrEqual(28);
    for (const { name } of CHECKS) expect(name.length).toBeLessThanOrEqual(34);
  });
});
