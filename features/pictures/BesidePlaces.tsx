import { useRouter } from 'expo-router';
import { appearanceFrom } from '@/core/bead/appearance';
import { sizesOf } from '@/core/picture/measure';
import { sizeOf, VIEW_WORDS } from '@/core/picture/sizes';
import type { UnitSystem } from '@/core/quantity/units';
import { isCheckId } from '@/core/evidence/ids';
import { OUTCOME_WORDS } from '@/core/record/words/outcome';
import type { Bead } from '@/core/record/shapes/record-schema';
import type { ShownPicture } from '@/core/record/pending/pending-pictures';
import { SETTING_NAMES, SETTINGS } from '@/core/setting/table';
import { figureWithUnit } from '@/core/setting/words';
import { BeadDrawing } from '@/ui/bead/BeadDrawing';
import { Loading, StateNote } from '@/ui/State';
import { Photo } from '../shared/Photo';
import { lengthWords } from '../shared/size-words';
import { clockWords, dayWords } from '../shared/time-words';
import { useUnits } from '../shared/use-habits';
import { usePictures } from '../../client/use-pictures';
import { useCoupon } from '../../client/use-records';
import { useWeld } from '../../client/use-welds';
import { Beside, type BesideThing, type Look } from './Beside';

/** As high as a drawing beside it, for its width. */
const HIGH = 0.67;

const photoLooks = (pictures: readonly ShownPicture[], of: string): Look[] =>
  pictures.map((picture, i) => {
    const before = pictures.slice(0, i).filter(({ view }) => view === picture.view).length;
    const label = `${VIEW_WORDS[picture.view]}${before === 0 ? '' : ` ${before + 1}`}`;
    return {
      id: picture.id,
      label,
      show: (width) => (
        <Photo
          picture={picture}
          size="whole"
          width={width}
          height={Math.round(width * HIGH)}
          title={`${of}: ${label}`}
        />
      ),
    };
  });

const sizeFacts = (pictures: readonly ShownPicture[], units: UnitSystem): BesideThing['facts'] =>
  sizesOf(pictures.map(({ measuring }) => measuring)).map((size) => ({
    name: `${sizeOf(size.id).name}, in photographs`,
    text: lengthWords(size, units),
  }));

function beadThing(bead: Bead, pictures: readonly ShownPicture[], units: UnitSystem): BesideThing {
  const name = `Bead ${bead.number}`;
  const drawn = (view: 'top' | 'section', label: string): Look => ({
    id: view,
    label,
    show: (width) => (
      <BeadDrawing
        bead={appearanceFrom(bead.appearance)}
        view={view}
        height={Math.round(width * HIGH)}
        lengthMm={24}
        title={`${name}, ${label.toLowerCase()}`}
      />
    ),
  });
  const seen = Object.entries(bead.findings).flatMap(([id, held]) =>
    held === 'present' && !isCheckId(id) ? [(bead.names[id] ?? id.replace(/-/g, ' ')).toLowerCase()] : [],
  );
  const settings = SETTING_NAMES.flatMap((setting) => {
    const value = bead.settings[setting];
    return value === undefined ? [] : [{ name: SETTINGS[setting].name, text: figureWithUnit(setting, value, units) }];
  });
  return {
    ...{ id: bead.id, chip: String(bead.number), name },
    looks: [drawn('top', 'Drawn'), drawn('section', 'Cut'), ...photoLooks(pictures, name)],
    facts: [
      { name: 'Judged', text: bead.outcome === null ? 'not judged' : OUTCOME_WORDS[bead.outcome] },
      ...settings,
      { name: 'Seen', text: seen.length === 0 ? 'nothing' : seen.join(', ') },
      { name: 'Verdict', text: bead.verdict?.name ?? 'none' },
      ...sizeFacts(pictures, units),
    ],
  };
}

/** Two beads of a coupon side by side. */
export function CouponBeside({ couponId }: { couponId: string }) {
  const router = useRouter();
  const units = useUnits();
  const { data: coupon, error } = useCoupon(couponId);
  const { data: pictures } = usePictures({ owner: { couponId }, beadIds: coupon?.beads.map(({ id }) => id) ?? [] });
  const back = { label: 'To the coupon', onPress: () => router.replace(`/coupon/${couponId}`) };
  if (error !== null || coupon?.beads.length === 0)
    return (
      <StateNote
        title="Nothing to lay side by side"
        text={error?.message ?? 'No bead was logged on it.'}
        action={back}
      />
    );
  if (coupon === undefined || pictures === undefined) return <Loading what="the coupon" />;
  const things = coupon.beads.map((bead) =>
    beadThing(
      bead,
      pictures.filter(({ beadId }) => beadId === bead.id),
      units,
    ),
  );
  return <Beside title={`${coupon.title}: side by side`} things={things} choose="Bead" back={back} />;
}

/** Two photographs of a weld side by side: before and after a repair. */
export function WeldBeside({ weldId }: { weldId: string }) {
  const router = useRouter();
  const units = useUnits();
  const { data: weld, error } = useWeld(weldId);
  const { data: pictures } = usePictures({ owner: { weldId }, beadIds: [] });
  const back = { label: 'To the weld', onPress: () => router.replace(`/weld/${weldId}`) };
  if (error !== null || pictures?.length === 0)
    return (
      <StateNote
        title="Nothing to lay side by side"
        text={error?.message ?? 'It was not photographed.'}
        action={back}
      />
    );
  if (weld === undefined || pictures === undefined) return <Loading what="the weld" />;
  const things = pictures.map((picture, i): BesideThing => {
    const name = `Photograph ${i + 1}`;
    return {
      ...{ id: picture.id, chip: String(i + 1), name },
      looks: photoLooks([picture], name),
      facts: [
        { name: 'Taken', text: `${dayWords(picture.takenAt)}, ${clockWords(picture.takenAt)}` },
        { name: 'Of', text: VIEW_WORDS[picture.view] },
        ...(picture.note === '' ? [] : [{ name: 'Note', text: picture.note }]),
        ...sizeFacts([picture], units),
      ],
    };
  });
  return <Beside title={`${weld.title}: side by side`} things={things} choose="Photograph" back={back} />;
}
