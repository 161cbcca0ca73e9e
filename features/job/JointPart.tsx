import { Controller, useWatch, type Control } from 'react-hook-form';
import { fromUser } from '@/core/quantity/units';
import { JointDrawing } from '@/ui/joint/JointDrawing';
import { Part } from '@/ui/Part';
import { PictureChoice } from '@/ui/PictureChoice';
import { choicesOf } from '../shared/choices';
import { JOINT_WORDS } from '../shared/job-words';
import { typedFigure } from '../shared/record-form';
import { useUnits } from '../shared/use-habits';
import type { JobValues } from './job-form';

/** What is drawn where no thickness is typed. */
const USUAL_MM = 4;

/** The joint, chosen by how it looks cut across, with the thicknesses and the gap as they are typed. */
export function JointPart({ control }: { control: Control<JobValues> }) {
  const units = useUnits();
  const typed = useWatch({ control, name: ['thicknessMm', 'otherThicknessMm', 'gapMm'] });
  const [thickness, other, gap] = typed.map((text) => {
    const figure = typedFigure(text);
    return figure === undefined || !(figure >= 0) ? null : fromUser(figure, 'length', units);
  });
  const thicknessMm = thickness ?? USUAL_MM;
  const drawn = { thicknessMm, otherMm: other ?? thicknessMm, gapMm: gap ?? 0 };
  return (
    <Part title="Joint">
      <Controller
        control={control}
        name="joint"
        render={({ field }) => (
          <PictureChoice
            label="Joint"
            options={choicesOf(JOINT_WORDS).map(({ value, label }) => ({
              value,
              label,
              picture: <JointDrawing joint={value} {...drawn} height={64} />,
            }))}
            chosen={field.value}
            onChoose={field.onChange}
          />
        )}
      />
    </Part>
  );
}
