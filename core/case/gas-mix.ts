import type { Gas } from './schema';

/** A gas in full: four shares in per cent that add up to 100. */
export type GasMix = { argonPct: number; co2Pct: number; oxygenPct: number; heliumPct: number };

/** The shares that were stated, added up, in per cent. */
export function statedTotal(gas: Gas): number {
  return (gas.argonPct ?? 0) + (gas.co2Pct ?? 0) + (gas.oxygenPct ?? 0) + (gas.heliumPct ?? 0);
}

/**
 * Fills in what a label leaves out: where argon is not stated it is the rest of the bottle.
 * @param gas stated shares in per cent
 * @returns all four shares, adding up to 100
 * @throws RangeError when the shares cannot add up to 100
 */
export function completeMix(gas: Gas): GasMix {
  const total = statedTotal(gas);
  const rest = gas.argonPct === undefined && total < 100 ? 100 - total : 0;
  if (Math.abs(total + rest - 100) > 1) throw new RangeError('gas shares must add up to 100 %');
  return {
    argonPct: gas.argonPct ?? rest,
    co2Pct: gas.co2Pct ?? 0,
    oxygenPct: gas.oxygenPct ?? 0,
    heliumPct: gas.heliumPct ?? 0,
  };
}

/** The trade's way of writing a mix: "82 Ar / 18 CO2", "pure argon", "CO2". */
export function mixName(gas: Gas | null | undefined): string {
  if (gas === undefined) return 'gas not known';
  if (gas === null) return 'no gas';
  const mix = completeMix(gas);
  const parts: [number, string][] = [
    [mix.argonPct, 'Ar'],
    [mix.heliumPct, 'He'],
    [mix.co2Pct, 'CO2'],
    [mix.oxygenPct, 'O2'],
  ];
  const held = parts.filter(([share]) => share > 0);
  if (held.length === 1) return held[0][1] === 'Ar' ? 'pure argon' : `pure ${held[0][1]}`;
  return held.map(([share, name]) => `${share} ${name}`).join(' / ');
}
