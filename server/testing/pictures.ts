import { existsSync, readdirSync } from 'node:fs';
import sharp, { type Sharp } from 'sharp';
import { v7 } from 'uuid';
import type { ChangeOf } from '../../core/record/change/change';
import type { Changed } from '../../core/record/change/change-schema';
import type { Picture } from '../../core/record/shapes/picture-schema';
import { shelfOf } from '../pictures/shelf';
import type { Workshop } from './workshop';

/** A plate with a bright bar, 90 by 60 points. */
export const plate = (): Sharp =>
  sharp({ create: { width: 90, height: 60, channels: 3, background: '#444444' } }).composite([
    { input: { create: { width: 30, height: 10, channels: 3, background: '#ffffff' } }, left: 0, top: 0 },
  ]);

export type Answer = { status: number; json: Changed & { code: string; detail: string } };
export async function attach(to: Workshop, change: unknown, file: Buffer | null, name = 'a.jpg'): Promise<Answer> {
  const form = new FormData();
  form.append('change', typeof change === 'string' ? change : JSON.stringify(change));
  if (file !== null) form.append('file', new Blob([new Uint8Array(file)]), name);
  const response = await fetch(`http://127.0.0.1:${to.port}/api/pictures`, { method: 'POST', body: form });
  return { status: response.status, json: (await response.json()) as Answer['json'] };
}
export const fileOf = async (of: Workshop, hash: string, size = 'whole'): Promise<Response> =>
  fetch(`http://127.0.0.1:${of.port}/api/pictures/files/${hash}/${size}`);
export const kept = async (of: Workshop, couponId: string): Promise<Picture[]> =>
  (await of.send('GET', `/coupons/${couponId}/pictures`)).json;
/** Every file on the shelf. */
export const shelved = (of: Workshop): string[] => {
  const shelf = shelfOf(of.file);
  return existsSync(shelf)
    ? readdirSync(shelf, { recursive: true, encoding: 'utf8' }).filter((f) => /jpg/.test(f))
    : [];
};

/** A change that attaches a picture to a bead, unless it is told otherwise. */
export const attaching = (
  beadId: string,
  fields: Partial<ChangeOf<'add-picture'>['fields']> = {},
): ChangeOf<'add-picture'> => ({
  ...{ id: v7(), kind: 'add-picture', of: v7(), device: v7(), against: 0, madeAt: '2026-05-04T09:00:00.000Z' },
  fields: {
    ...{ beadId, weldId: null, view: 'face', note: '', takenAt: '2026-05-04T08:59:00.000Z' },
    ...fields,
  },
});
