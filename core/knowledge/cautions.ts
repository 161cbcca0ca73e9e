import type { Caution } from './types';

/** Stop conditions first, then the standing cautions. Local codes and licensed practice come before all of them. */
export const CAUTIONS: readonly Caution[] = [
  {
    id: 'closed-container',
    stop: true,
    concern: 'closed-container',
    text: 'Stop. A closed or once-filled container can explode. No arc on it unless cleaned, vented and certified gas-free.',
  },
  {
    id: 'phosgene',
    stop: true,
    concern: 'chlorinated-residue',
    text: 'Stop. Chlorinated degreaser and an arc make phosgene. Wash it off and air it out before any arc.',
  },
  {
    id: 'confined-space',
    stop: true,
    concern: 'confined-space',
    text: 'Stop. Confined space: gas test, forced ventilation, a permit and an attendant first.',
  },
  {
    id: 'code-work',
    stop: true,
    concern: 'code-work',
    text: 'Stop. Pressure, lifting, structural or vehicle-safety work: only to a qualified procedure, by a qualified welder, and inspected. This tunes a machine; it does not approve a weld.',
  },
  {
    id: 'cadmium-lead',
    stop: true,
    concern: 'cadmium-or-lead',
    text: 'Stop. Cadmium or lead coating: the fume can kill. Strip it with protection before any arc.',
  },
  {
    id: 'zinc-fume',
    stop: true,
    when: { surface: ['zinc'] },
    causes: ['plate-zinc'],
    findings: ['residue-white'],
    text: 'Stop. Zinc: strip both faces at least 25 mm back before the next bead. Extraction and a respirator even so.',
  },
  {
    id: 'crack',
    stop: true,
    findings: ['crack-centre', 'crack-crater', 'crack-toe'],
    text: 'Stop. A crack is cut out, never welded over. Find its cause and have the repair inspected.',
  },
  {
    id: 'fire',
    stop: false,
    concern: 'fire-nearby',
    text: 'Fire: clear 11 m or cover, extinguisher at hand, fire watch at least 30 minutes, hot-work permit.',
  },
  {
    id: 'paint-fume',
    stop: false,
    when: { surface: ['paint', 'oil'] },
    text: 'Paint and oil burn to toxic fume: strip to bright metal first. Unknown old paint may hold lead.',
  },
  {
    id: 'stainless-fume',
    stop: false,
    when: { baseMetal: ['stainless'] },
    text: 'Stainless fume holds chromium and nickel: extraction at the arc, respirator where it cannot reach.',
  },
  {
    id: 'gas-cylinder',
    stop: false,
    causes: ['gas-low', 'gas-high', 'gas-leak', 'gas-empty', 'gas-wrong'],
    text: 'Cylinder chained. Back the regulator off, open the valve slowly, stand aside.',
  },
  {
    id: 'feeder-hands',
    stop: false,
    causes: ['liner-dirty', 'roll-wrong', 'roll-loose', 'roll-tight', 'polarity-wrong', 'cable-loose'],
    text: 'Welder off before hands go into the feeder or leads are moved.',
  },
  {
    id: 'rays-and-burns',
    stop: false,
    text: 'Arc rays: helmet shade 10 to 13, gloves, jacket, no bare skin, a screen for others.',
  },
  { id: 'fume', stop: false, text: 'Fume: ventilate or extract, keep your head out of the plume.' },
  { id: 'shock', stop: false, text: 'Shock: dry gloves, sound cables, never stand in the wet.' },
  {
    id: 'no-proof',
    stop: false,
    text: 'A sound-looking bead is no proof of fusion. Where failure can hurt someone: bend, break, or cut and etch a coupon, or have it inspected. Local codes come first.',
  },
];
