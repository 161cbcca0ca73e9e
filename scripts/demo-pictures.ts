import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { appearanceFrom, type BeadAppearance } from '../core/bead/appearance';
import type { Measuring, Point } from '../core/picture/measure';
import type { PictureFile } from '../core/record/shapes/picture-schema';
import { findBead } from '../server/db/records/beads';
import { openStore } from '../server/db/open';
import { pageOfWelds } from '../server/db/records/welds';
import { findSavedSetting } from '../server/db/records/saved-settings';
import { demoId } from '../server/demo/demo-id';
import { COUPONS } from '../server/demo/coupons';
import { loadWorkshop } from '../server/demo/load';
import { DEMO_PICTURES, type DemoPicture } from '../server/demo/picture-list';
import { lookAt } from '../server/pictures/look';
import { scatter } from '../ui/bead/noise';
import { cap, faults, fused, plates, SECTION_FIELD, slag, whiskers } from '../ui/bead/section-geometry';
import { cracks, crust, halfWidth, outline, pores, ripples, spatterGrains, type Field } from '../ui/bead/top-geometry';

/**
 * Draws the photographs of the demo: `npm run demo-pictures`. Each is the drawing of its bead on a bench, with a steel rule
 * beside it, turned as a plate lies, lit from one side, and grainy. Lengths in it are true, so that measuring can be tried and
 * tested on them: the file that is kept beside the pictures says what was measured, by the same drawing.
 */
const OUT = join(__dirname, '..', 'server', 'demo', 'pictures');

/** The frame of a picture in mm, and points a mm. */
type Frame = { width: number; height: number; scale: number };
const TOP: Frame = { width: 66, height: 44, scale: 24 };
const CUT: Frame = { width: 30, height: 25, scale: 50 };

const FIELD: Field = { length: 56, height: 22 };
const TINTS: Record<BeadAppearance['tint'], string> = {
  ...{ bright: '#b9b7ad', grey: '#857b69', soot: '#47443f', white: '#c9c8bf', slag: '#63523f', blue: '#6c7079' },
};

/** A steel rule of so many mm, divided to the mm, its upper edge at the top. */
function rule(length: number): string {
  const ticks = Array.from({ length: length + 1 }, (_, mm) => {
    const long = mm % 10 === 0 ? 3.6 : mm % 5 === 0 ? 2.8 : 1.9;
    return `M${mm} 0V${long}`;
  }).join('');
  const numbers = Array.from(
    { length: Math.floor(length / 10) + 1 },
    (_, i) =>
      `<text x="${i * 10}" y="6.4" font-size="2.6" text-anchor="middle" font-family="sans-serif" fill="#22221f">${i * 10}</text>`,
  ).join('');
  return `<rect x="-2" y="0" width="${length + 4}" height="8" fill="#c3c4c0" stroke="#55554f" stroke-width="0.15"/><path d="${ticks}" stroke="#1d1d1a" stroke-width="0.16" fill="none"/>${numbers}`;
}

/** Scratches of the brush on a plate. */
const scratches = (width: number, height: number): string =>
  Array.from({ length: 90 }, (_, i) => {
    const [x, y] = [scatter(i) * width, scatter(i + 200) * height];
    return `M${x.toFixed(2)} ${y.toFixed(2)}l${(2 + 6 * scatter(i + 400)).toFixed(2)} ${(scatter(i + 600) - 0.5).toFixed(2)}`;
  }).join('');

function topDrawing(bead: BeadAppearance): string {
  const shape = outline(bead, FIELD);
  return `<rect x="0" y="0" width="${FIELD.length}" height="${FIELD.height}" fill="#7f817d" stroke="#3a3b38" stroke-width="0.4"/>
    <path d="${scratches(FIELD.length - 8, FIELD.height)}" stroke="#969892" stroke-width="0.12" fill="none" opacity="0.7"/>
    <path d="${shape}" fill="#4d4a45" stroke="#4d4a45" stroke-width="3.2" opacity="0.35"/>
    ${bead.undercut > 0.3 ? `<path d="${shape}" fill="none" stroke="#151412" stroke-width="1.2"/>` : ''}
    <path d="${shape}" fill="${TINTS[bead.tint]}" stroke="#3b3a35" stroke-width="0.3"/>
    <path d="${ripples(bead, FIELD)}" fill="none" stroke="#3b3a35" stroke-width="0.28" opacity="0.7"/>
    <path d="${spatterGrains(bead, FIELD)}" fill="#b5b3aa" stroke="#3b3a35" stroke-width="0.15"/>
    <path d="${pores(bead, FIELD)}" fill="#171614" stroke="#3b3a35" stroke-width="0.2"/>
    <path d="${cracks(bead, FIELD)}" fill="none" stroke="#171614" stroke-width="0.35"/>`;
}

/** The bead as it came through, as the drawing of its back has it. */
function backLine(bead: BeadAppearance): BeadAppearance {
  return { ...bead, widthMm: 2 + 3.5 * bead.backBulge + bead.penetrationMm / 2, ripples: 'round' };
}

function backDrawing(bead: BeadAppearance): string {
  const line = backLine(bead);
  return `<rect x="0" y="0" width="${FIELD.length}" height="${FIELD.height}" fill="#7f817d" stroke="#3a3b38" stroke-width="0.4"/>
    <path d="${outline({ ...line, widthMm: line.widthMm + 4 }, FIELD)}" fill="#3f5577" opacity="0.45"/>
    <path d="${outline({ ...line, widthMm: line.widthMm + 1.6 }, FIELD)}" fill="#a57a3c" opacity="0.55"/>
    <path d="${outline(line, FIELD)}" fill="${TINTS[bead.tint]}" stroke="#3b3a35" stroke-width="0.3"/>
    ${bead.tint === 'grey' ? `<path d="${crust({ ...line, widthMm: line.widthMm + 2 }, FIELD)}" fill="#171614"/>` : ''}
    ${bead.holes === 'through' ? `<path d="${pores(bead, FIELD)}" fill="#171614" stroke="#3b3a35" stroke-width="0.3"/>` : ''}`;
}

function cutDrawing(bead: BeadAppearance): string {
  const { pores: holes, crack } = faults(bead);
  return `<path d="${plates(bead)}" fill="#9a9c98" stroke="#3a3b38" stroke-width="0.12"/>
    <path d="${fused(bead)}" fill="#6f6a5e" stroke="#33312b" stroke-width="0.16"/>
    <path d="${cap(bead)}" fill="#7b766a" stroke="#33312b" stroke-width="0.2"/>
    <path d="${whiskers(bead)}" fill="none" stroke="#2b2a27" stroke-width="0.3"/>
    <path d="${holes}" fill="#141311"/><path d="${slag(bead)}" fill="#4b3f33"/>
    <path d="${crack}" fill="none" stroke="#141311" stroke-width="0.25"/>`;
}

/** What is drawn and measured in one picture: where its drawing and its rule begin, and true lengths, in mm of the drawing. */
type Laid = {
  frame: Frame;
  drawing: string;
  at: Point;
  ruleAt: Point;
  ruleMm: number;
  sizes: { id: Measuring['sizes'][number]['id']; from: Point; to: Point }[];
};

function laid({ view }: DemoPicture, bead: BeadAppearance): Laid {
  if (view === 'section') {
    const middle = SECTION_FIELD.width / 2;
    const { face } = SECTION_FIELD;
    const half = bead.widthMm / 2;
    return {
      ...{ frame: CUT, drawing: cutDrawing(bead), at: [5, 1], ruleAt: [5, 16.6], ruleMm: 20 },
      sizes: [
        {
          id: 'widthMm',
          from: [middle - half * (1 - 0.35 * bead.lean), face],
          to: [middle + half * (1 + 0.35 * bead.lean), face],
        },
        {
          id: 'penetrationMm',
          from: [middle, face],
          to: [middle, face + Math.min(bead.penetrationMm, bead.plateMm + 0.2)],
        },
      ],
    };
  }
  const x = (along: number): number => 2.5 + along * (FIELD.length - 5);
  const middle = FIELD.height / 2;
  const line = view === 'back' ? backLine(bead) : bead;
  return {
    ...{
      frame: TOP,
      drawing: view === 'back' ? backDrawing(bead) : topDrawing(bead),
      at: [5, 5],
      ruleAt: [8, 30],
      ruleMm: 50,
    },
    sizes: [0.3, 0.7].map((along) => ({
      id: view === 'back' ? ('backWidthMm' as const) : ('widthMm' as const),
      from: [x(along), middle - halfWidth(line, along)] as Point,
      to: [x(along), middle + halfWidth(line, along)] as Point,
    })),
  };
}

/** A place of the drawing as a part of the picture's width, once it was turned about the middle of the picture. */
function placed([x, y]: Point, origin: Point, { frame }: Laid, turned: number): Point {
  const [dx, dy] = [origin[0] + x - frame.width / 2, origin[1] + y - frame.height / 2];
  const a = (turned * Math.PI) / 180;
  const part = (mm: number): number => Number((mm / frame.width).toFixed(5));
  return [
    part(frame.width / 2 + dx * Math.cos(a) - dy * Math.sin(a)),
    part(frame.height / 2 + dx * Math.sin(a) + dy * Math.cos(a)),
  ];
}

function measuringOf(told: DemoPicture, of: Laid): Measuring | null {
  if (told.measured !== true) return null;
  const knownMm = of.ruleMm === 50 ? 50 : 20;
  return {
    scale: {
      from: placed([0, 0], of.ruleAt, of, told.turned),
      to: placed([knownMm, 0], of.ruleAt, of, told.turned),
      lengthMm: knownMm,
    },
    check: null,
    sizes: of.sizes.map(({ id, from, to }) => ({
      id,
      from: placed(from, of.at, of, told.turned),
      to: placed(to, of.at, of, told.turned),
    })),
    fineness: 0.0008,
  };
}

async function picture(told: DemoPicture, of: Laid): Promise<Buffer> {
  const { frame, drawing, at, ruleAt, ruleMm } = of;
  const [width, height] = [frame.width * frame.scale, frame.height * frame.scale];
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${frame.width} ${frame.height}">
    <defs><radialGradient id="light" cx="0.3" cy="0.2" r="1"><stop offset="0" stop-color="#fff" stop-opacity="0.28"/><stop offset="0.6" stop-color="#fff" stop-opacity="0"/><stop offset="1" stop-color="#000" stop-opacity="0.35"/></radialGradient></defs>
    <rect x="-20" y="-20" width="200" height="200" fill="#4a443b"/>
    <g transform="rotate(${told.turned} ${frame.width / 2} ${frame.height / 2})">
      <g transform="translate(${at[0]} ${at[1]})">${drawing}</g>
      <g transform="translate(${ruleAt[0]} ${ruleAt[1]})">${rule(ruleMm)}</g>
    </g>
    <rect x="0" y="0" width="${frame.width}" height="${frame.height}" fill="url(#light)"/></svg>`;
  // The grain is the same each time.
  const grain = Buffer.from(Array.from({ length: width * height }, (_, i) => 120 + Math.round(16 * scatter(i))));
  return sharp(Buffer.from(svg))
    .flatten({ background: '#4a443b' })
    .composite([{ input: grain, raw: { width, height, channels: 1 }, blend: 'soft-light' }])
    .blur(0.7)
    .jpeg({ quality: 92 })
    .toBuffer();
}

/** What stands beside the pictures. */
type Drawn = { file: PictureFile; measuring: Measuring | null };

async function main(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'jolly-pictures-'));
  const { store, close } = openStore(join(folder, 'demo.sqlite'));
  loadWorkshop(store, Date.parse('2026-05-04T09:00:00Z'), false);
  const welds = pageOfWelds(store, { limit: 100 }, () => undefined).welds;
  const beadOf = ({ of }: DemoPicture) => {
    if ('coupon' in of) {
      const index = COUPONS.findIndex(({ title }) => title === of.coupon);
      return findBead(store, demoId(2, index * 100 + of.bead));
    }
    const weld = welds.find(({ title }) => title === of.weld);
    return weld === undefined ? null : (findSavedSetting(store, weld.provenId)?.bead ?? null);
  };
  rmSync(OUT, { recursive: true, force: true });
  mkdirSync(OUT, { recursive: true });
  const drawn: Drawn[] = [];
  for (const told of DEMO_PICTURES) {
    const bead = beadOf(told);
    if (bead === null) throw new Error(`the demo has no ${JSON.stringify(told.of)}`);
    const of = laid(told, { ...appearanceFrom(bead.appearance), ...told.shows });
    const { file, whole, small } = await lookAt(await picture(told, of));
    writeFileSync(join(OUT, `${file.hash}.jpg`), whole);
    writeFileSync(join(OUT, `${file.hash}.small.jpg`), small);
    drawn.push({ file, measuring: measuringOf(told, of) });
    console.log(`${JSON.stringify(told.of)} ${told.view}: ${Math.round(file.bytes / 1024)} kB`);
  }
  writeFileSync(join(OUT, 'drawn.json'), `${JSON.stringify(drawn, null, 1)}\n`);
  close();
  rmSync(folder, { recursive: true });
}

void main();
