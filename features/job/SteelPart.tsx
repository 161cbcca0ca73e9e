import { useState } from 'react';
import { Controller, useWatch, type Control, type UseFormSetValue } from 'react-hook-form';
import { View } from 'react-native';
import { JOB_SCHEMA } from '@/core/case/schema';
import { fromUser } from '@/core/quantity/units';
import { carbonEquivalent, plateHeat, type Alloy } from '@/core/start/plate-heat';
import { NumberField } from '@/ui/NumberField';
import { Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { typedFigure } from '../shared/record-form';
import { useTextIn, useUnits } from '../shared/use-habits';
import type { JobValues } from './job-form';

/** What a certificate lists, in its order. */
const ELEMENTS = [
  ['c', 'Carbon'],
  ['mn', 'Manganese'],
  ['cr', 'Chromium'],
  ['mo', 'Molybdenum'],
  ['v', 'Vanadium'],
  ['ni', 'Nickel'],
  ['cu', 'Copper'],
] as const satisfies readonly (readonly [keyof Alloy, string])[];
type Typed = Partial<Record<keyof Alloy, string>>;

const isShare = (figure: number | undefined): boolean => figure === undefined || (figure >= 0 && figure <= 30);

/** The carbon equivalent of what was typed; null until carbon is, or while something cannot be a share. */
function equivalentOf(typed: Typed): number | null {
  const shares = ELEMENTS.map(([element]) => [element, typedFigure(typed[element] ?? '')] as const);
  const known = Object.fromEntries(shares.filter(([, share]) => share !== undefined)) as Partial<Alloy>;
  if (known.c === undefined || !shares.every(([, share]) => isShare(share))) return null;
  return Number(carbonEquivalent({ ...known, c: known.c }).toFixed(2));
}

type SteelProps = { control: Control<JobValues>; setValue: UseFormSetValue<JobValues> };

/** Shows how readily the steel of a job hardens, typed or worked out from its certificate, and the preheat that this asks for. */
export function SteelPart({ control, setValue }: SteelProps) {
  const units = useUnits();
  const textIn = useTextIn();
  const [metal, thickness, other, typedCe] = useWatch({
    control,
    name: ['baseMetal', 'thicknessMm', 'otherThicknessMm', 'carbonEquivalent'],
  });
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState<Typed>({});
  if (metal !== 'mild-steel') return null;
  const { minimum, maximum } = JOB_SCHEMA.properties.carbonEquivalent;
  const thick = [thickness, other]
    .map((text) => typedFigure(text))
    .filter((figure) => figure !== undefined && figure > 0) as number[];
  const ce = typedFigure(typedCe);
  const isKnown = ce === undefined || (ce >= minimum && ce <= maximum);
  const heat =
    thick.length === 0 || !isKnown ? null : plateHeat(metal, fromUser(Math.max(...thick), 'length', units), ce);
  const type = (element: keyof Alloy, text: string): void => {
    const next = { ...typed, [element]: text };
    setTyped(next);
    const worked = equivalentOf(next);
    if (worked !== null) setValue('carbonEquivalent', String(worked), { shouldDirty: true, shouldValidate: true });
  };
  return (
    <View role="group" aria-label="Steel" className="gap-2">
      <Row className="flex-wrap items-end gap-3">
        <Controller
          control={control}
          name="carbonEquivalent"
          render={({ field, fieldState: { error } }) => (
            <NumberField
              className="min-w-[45%] flex-1"
              label="Carbon equivalent"
              unit="%"
              text={field.value}
              problem={error === undefined ? null : `Takes ${minimum} to ${maximum} %, or nothing.`}
              onType={field.onChange}
            />
          )}
        />
        <Toggle label="From its analysis" on={open} onPress={() => setOpen(!open)} />
      </Row>
      {open && (
        <Row role="group" aria-label="Analysis of the steel" className="flex-wrap gap-3">
          {ELEMENTS.map(([element, name]) => (
            <NumberField
              key={element}
              className="min-w-[30%]"
              label={name}
              unit="%"
              text={typed[element] ?? ''}
              problem={isShare(typedFigure(typed[element] ?? '')) ? null : 'Takes 0 to 30 %.'}
              onType={(text) => type(element, text)}
            />
          ))}
        </Row>
      )}
      <Words className="text-faint">
        {textIn(
          [
            ce === undefined ? 'Not known: taken for plain structural steel, 0.40 %.' : null,
            heat === null
              ? null
              : heat.onlyByProcedure
                ? 'So hard a steel is welded only by a procedure tried on it.'
                : heat.preheatC === null
                  ? 'No preheat at this thickness: dry, and not colder than the workshop.'
                  : `Preheat ${heat.preheatC} °C, and not over ${heat.interpassC} °C between passes.`,
          ]
            .filter((line) => line !== null)
            .join(' '),
        )}
      </Words>
    </View>
  );
}
