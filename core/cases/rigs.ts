import type { Rig } from '../case/schema';

const MIX = { argonPct: 82, co2Pct: 18 };

/** Rigs that the written cases name. */
export const RIGS = {
  mix09: {
    process: 'gmaw',
    wire: { class: 'solid-steel', diameterMm: 0.9 },
    gas: MIX,
    polarity: 'electrode-positive',
    nozzleBoreMm: 13,
  },
  mix08: {
    process: 'gmaw',
    wire: { class: 'solid-steel', diameterMm: 0.8 },
    gas: MIX,
    polarity: 'electrode-positive',
    nozzleBoreMm: 12,
  },
  co209: {
    process: 'gmaw',
    wire: { class: 'solid-steel', diameterMm: 0.9 },
    gas: { argonPct: 0, co2Pct: 100 },
    polarity: 'electrode-positive',
    nozzleBoreMm: 13,
  },
  spray12: {
    process: 'gmaw',
    wire: { class: 'solid-steel', diameterMm: 1.2 },
    gas: { argonPct: 92, co2Pct: 8 },
    polarity: 'electrode-positive',
    nozzleBoreMm: 16,
  },
  pulse12: {
    process: 'gmaw',
    mode: 'pulse',
    wire: { class: 'solid-steel', diameterMm: 1.2 },
    gas: { argonPct: 92, co2Pct: 8 },
    polarity: 'electrode-positive',
    nozzleBoreMm: 16,
  },
  self09: {
    process: 'fcaw-self-shielded',
    wire: { class: 'tubular-self-shielded', diameterMm: 0.9 },
    gas: null,
    polarity: 'electrode-negative',
  },
  flux12: {
    process: 'fcaw-gas-shielded',
    wire: { class: 'tubular-gas-shielded', diameterMm: 1.2 },
    gas: MIX,
    polarity: 'electrode-positive',
    nozzleBoreMm: 16,
  },
  alu12: {
    process: 'gmaw',
    wire: { class: 'solid-aluminium', diameterMm: 1.2 },
    gas: { argonPct: 100 },
    polarity: 'electrode-positive',
    nozzleBoreMm: 16,
  },
  stain09: {
    process: 'gmaw',
    wire: { class: 'solid-stainless', diameterMm: 0.9 },
    gas: { argonPct: 98, co2Pct: 2 },
    polarity: 'electrode-positive',
    nozzleBoreMm: 13,
  },
} as const satisfies Record<string, Rig>;

export type RigName = keyof typeof RIGS;
