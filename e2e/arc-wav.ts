import type { Page } from '@playwright/test';
import { writeWav } from '../core/hearing/wav';
import { completeMix } from '../core/case/gas-mix';
import { mixed, shopNoise } from '../core/sound/shop-noise';
import { soundOf } from '../core/sound/sounding';
import { SAMPLE_RATE } from '../core/sound/sample-rate';

/** A WAV of an arc of 0.9 mm wire at 7.5 m/min in 18 % CO2 with a second of a quiet shop before and after. @param seconds of arc */
export function arcWav(voltageV: number, seconds = 3): Buffer {
  const { samples: arc } = soundOf(
    {
      ...{ wire: { class: 'solid-steel', diameterMm: 0.9 }, gas: completeMix({ co2Pct: 18 }), voltageV },
      ...{ wireSpeedMPerMin: 7.5, stickOutMm: 12, arcControlPct: 50, seed: 5 },
    },
    seconds,
  );
  const burned = mixed(arc, shopNoise('rumble', seconds, 2), 18);
  const quiet = shopNoise('rumble', seconds + 2, 3).map((value) => value / 100);
  const samples = quiet.map((value, i) => value + 0.5 * (burned[i - SAMPLE_RATE] ?? 0));
  return Buffer.from(writeWav({ samples, rate: SAMPLE_RATE }));
}

/** The recording on the bench, under what is heard. */
export async function openHear(page: Page) {
  await page.getByRole('tab', { name: 'Hear' }).click();
  await page.getByRole('button', { name: /^Let it listen/ }).click();
  return page.getByRole('region', { name: 'The arc heard' });
}
