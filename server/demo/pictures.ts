import { copyFileSync, existsSync, mkdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { Measuring } from '../../core/picture/measure';
import type { PictureFile } from '../../core/record/shapes/picture-schema';
import { addPicture, setPicture } from '../db/records/pictures';
import type { Writing } from '../db/records/write';
import { placeOf } from '../pictures/shelf';
import { demoId } from './demo-id';
import { DEMO_PICTURES, type DemoPicture } from './picture-list';

/** The files, by their names, and what was measured in each, in the order they are told. */
const FOLDER = join(__dirname, 'pictures');
type Drawn = { file: PictureFile; measuring: Measuring | null };
const INDEX = join(FOLDER, 'drawn.json');
const DRAWN = (): Drawn[] => (existsSync(INDEX) ? (JSON.parse(readFileSync(INDEX, 'utf8')) as Drawn[]) : []);

/**
 * Attaches the photographs of the demo.
 * @param find the bead or weld that a picture is of, with the time it was made
 */
export function attachPictures(
  writing: Writing,
  find: (of: DemoPicture['of']) => { beadId: string | null; weldId: string | null; at: string },
): void {
  DRAWN().forEach(({ file, measuring }, i) => {
    const { of, view, note = '' } = DEMO_PICTURES[i];
    const { at, ...owner } = find(of);
    const id = demoId(8, i);
    const takenAt = new Date(Date.parse(at) + 2 * 60 * 1000).toISOString();
    addPicture(writing, { ...owner, id, view, note, takenAt }, file);
    if (measuring !== null) setPicture(writing, id, { measuring });
  });
}

/** Puts the files of the demo's photographs on a shelf. */
export function shelveDemoPictures(shelf: string): void {
  for (const { file } of DRAWN())
    for (const size of ['whole', 'small'] as const) {
      const place = placeOf(shelf, file.hash, size);
      if (existsSync(place)) continue;
      mkdirSync(dirname(place), { recursive: true });
      copyFileSync(join(FOLDER, size === 'whole' ? `${file.hash}.jpg` : `${file.hash}.small.jpg`), place);
    }
}
