import { startAnswer, hasFigures } from '../core/answer';
import type { Case } from '../core/case/schema';
const show = (job: object, rig: object, pref: object = {}) => {
  const input = {
    format: 'jolly-tinker/case@1',
    job: { baseMetal: 'mild-steel', joint: 'fillet', position: 'flat', draught: 'still', ...job },
    rig: {
      process: 'gmaw',
      wire: { class: 'solid-steel', diameterMm: 0.9 },
      gas: { argonPct: 82, co2Pct: 18 },
      polarity: 'electrode-positive',
      nozzleBoreMm: 13,
      ...rig,
    },
    preferences: pref,
  } as Case;
  const s = startAnswer(input);
  const t = input.job as any;
  if (!hasFigures(s))
    return console.log(
      t.thicknessMm,
      'HELD',
      s.held
        .map((h) => h.text)
        .join(' ')
        .slice(0, 160),
    );
  console.log(
    String(t.thicknessMm).padStart(5),
    s.settings.voltageV?.toFixed(1),
    'V',
    s.settings.wireSpeedMPerMin?.toFixed(1),
    'm/min',
    s.settings.stickOutMm,
    'mm',
    Math.round(s.expected.currentA!),
    'A',
    s.expected.transfer,
    'h',
    (s.expected.currentA! / s.expected.currentWantedA!).toFixed(2),
    'pace',
    s.technique.travelSpeedMmPerMin,
    'Q',
    s.expected.heatInputKJPerMm?.toFixed(2),
    'leg',
    s.expected.legMm?.toFixed(1),
    'passes',
    s.passes.map((p) => p.legMm).join('+'),
    s.outOfReach.join('|').slice(0, 120),
    s.notes.join('|').slice(0, 60),
  );
};
const T = [0.6, 0.8, 1, 1.5, 2, 3, 4, 5, 6, 6.5, 7, 8, 10, 12, 16, 25];
const AL = {
  process: 'gmaw',
  wire: { class: 'solid-aluminium', diameterMm: 1.2 },
  gas: { argonPct: 100 },
  nozzleBoreMm: 16,
};
const g = (n: string, rows: [object, object][]) => {
  console.log('==', n);
  for (const [j, r] of rows) show(j, r);
};
const which = process.argv[2];
const sets: Record<string, () => void> = {
  a: () =>
    g(
      '0.9 82/18 flat',
      T.map((t) => [{ thicknessMm: t }, {}]),
    ),
  b: () =>
    g(
      '0.9 82/18 up',
      T.map((t) => [{ thicknessMm: t, position: 'vertical-up' }, {}]),
    ),
  c: () =>
    g(
      '0.8 82/18 up',
      [1, 2, 3, 4, 6].map((t) => [
        { thicknessMm: t, position: 'vertical-up' },
        { wire: { class: 'solid-steel', diameterMm: 0.8 } },
      ]),
    ),
  d: () =>
    g(
      '1.2 90/10 flat',
      T.map((t) => [
        { thicknessMm: t },
        { wire: { class: 'solid-steel', diameterMm: 1.2 }, gas: { argonPct: 90, co2Pct: 10 } },
      ]),
    ),
  e: () =>
    g(
      '1.6 90/10 flat',
      [6, 8, 10, 12, 20].map((t) => [
        { thicknessMm: t },
        { wire: { class: 'solid-steel', diameterMm: 1.6 }, gas: { argonPct: 90, co2Pct: 10 } },
      ]),
    ),
  f: () =>
    g(
      'Al 1.2 flat',
      [2, 3, 4, 5, 6, 8, 10, 12].map((t) => [{ thicknessMm: t, baseMetal: 'aluminium' }, AL]),
    ),
  g: () =>
    g(
      'Al 1.2 up',
      [2, 3, 4, 6, 8].map((t) => [{ thicknessMm: t, baseMetal: 'aluminium', position: 'vertical-up' }, AL]),
    ),
  h: () =>
    g(
      'self-shielded 1.2',
      [2, 3, 4, 6, 8, 12].map((t) => [
        { thicknessMm: t },
        {
          process: 'fcaw-self-shielded',
          wire: { class: 'tubular-self-shielded', diameterMm: 1.2 },
          gas: null,
          polarity: 'electrode-negative',
        },
      ]),
    ),
  i: () =>
    g(
      'rutile 1.2',
      [5, 6, 8, 12].map((t) => [
        { thicknessMm: t },
        { process: 'fcaw-gas-shielded', wire: { class: 'tubular-gas-shielded', diameterMm: 1.2 } },
      ]),
    ),
  j: () =>
    g('overhead 0.9,1.0,1.2', [
      [{ thicknessMm: 3, position: 'overhead' }, {}],
      [{ thicknessMm: 6, position: 'overhead' }, {}],
      [{ thicknessMm: 6, position: 'overhead' }, { wire: { class: 'solid-steel', diameterMm: 1.0 } }],
      [{ thicknessMm: 6, position: 'overhead' }, { wire: { class: 'solid-steel', diameterMm: 1.2 } }],
      [{ thicknessMm: 12, position: 'overhead' }, { wire: { class: 'solid-steel', diameterMm: 1.2 } }],
    ]),
  k: () =>
    g(
      'CO2 1.0',
      T.map((t) => [{ thicknessMm: t }, { wire: { class: 'solid-steel', diameterMm: 1.0 }, gas: { co2Pct: 100 } }]),
    ),
  l: () =>
    g(
      'down 0.9',
      [1, 2, 3, 4, 5, 6].map((t) => [{ thicknessMm: t, position: 'vertical-down' }, {}]),
    ),
  m: () =>
    g(
      'butt flat 0.9',
      T.map((t) => [{ thicknessMm: t, joint: 'butt' }, {}]),
    ),
};
for (const k of (which ?? Object.keys(sets).join('')).split('')) sets[k]();
