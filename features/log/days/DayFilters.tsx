import { useState } from 'react';
import { View } from 'react-native';
import { unitOf } from '@/core/quantity/units';
import { NumberField } from '@/ui/NumberField';
import { Part } from '@/ui/Part';
import { Button, Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { TextField } from '@/ui/TextField';
import { useUnits } from '../../shared/use-habits';
import { useRigs } from '../../../client/use-records';
import { dayProblems, narrowedBy, OUTCOMES_ASKED, WHAT, type DayParams, type What } from './day-filter';
import { useFacets } from './use-days';

type FilterProps = { params: DayParams; onChange: (change: DayParams) => void; onClear: () => void };

/** Everything the log can be narrowed to: only what there is. */
export function DayFilters({ params, onChange, onClear }: FilterProps) {
  const units = useUnits();
  const rigs = useRigs().data ?? [];
  const facets = useFacets(true).data;
  const problems = dayProblems(params, units);
  const chosen = (field: keyof DayParams) => (value: string) =>
    onChange({ [field]: params[field] === value ? '' : value });
  const named = (of: { id: string; name: string }[] = []) => of.map(({ id, name }) => ({ value: id, label: name }));
  return (
    <View role="group" aria-label="Narrow the list" className="gap-4">
      <Part title="What">
        <Chips
          label="What"
          options={(Object.keys(WHAT) as What[]).map((value) => ({ value, label: WHAT[value].label }))}
          chosen={params.what}
          onChoose={chosen('what')}
        />
      </Part>
      <Part title="Rig">
        <Chips
          label="Rig"
          options={rigs.map(({ id, name }) => ({ value: id, label: name }))}
          chosen={params.rig}
          onChoose={chosen('rig')}
        />
      </Part>
      <Part title="How it came out">
        <Chips label="How it came out" options={OUTCOMES_ASKED} chosen={params.outcome} onChoose={chosen('outcome')} />
      </Part>
      <Part title="Cause">
        <Chips label="Cause" options={named(facets?.causes)} chosen={params.cause} onChoose={chosen('cause')} />
      </Part>
      <Part title="What it showed">
        <Chips
          label="What it showed"
          options={named(facets?.findings)}
          chosen={params.finding}
          onChoose={chosen('finding')}
        />
      </Part>
      <Part title="Plate">
        <Chips label="Metal" options={named(facets?.metals)} chosen={params.metal} onChoose={chosen('metal')} />
        <Row className="gap-3">
          {(['thinnest', 'thickest'] as const).map((field) => (
            <NumberField
              key={field}
              className="min-w-0 flex-1"
              label={field === 'thinnest' ? 'From' : 'Up to'}
              unit={unitOf('length', units)}
              text={params[field] ?? ''}
              onType={(text) => onChange({ [field]: text })}
              problem={problems[field] ?? null}
            />
          ))}
        </Row>
      </Part>
      <Part title="Who">
        <Chips label="Who" options={named(facets?.people)} chosen={params.by} onChoose={chosen('by')} />
      </Part>
      <Part title="When">
        {(['from', 'to'] as const).map((field) => (
          <TextField
            key={field}
            label={field === 'from' ? 'From the day, as 2026-05-30' : 'To the day, as 2026-05-30'}
            value={params[field] ?? ''}
            onChange={(text) => onChange({ [field]: text })}
            maxLength={10}
            problem={problems[field] ?? null}
          />
        ))}
      </Part>
      {narrowedBy(params) > 0 && <Button label="Everything again" onPress={onClear} />}
    </View>
  );
}

/** So many stand at once; the rest at a tap. */
const SHOWN = 6;

type ChipsProps = {
  label: string;
  options: readonly { value: string; label: string }[];
  chosen: string | undefined;
  onChoose: (value: string) => void;
};

/** One of many, or none: the most frequent first, the rest at a tap. */
function Chips({ label, options, chosen, onChoose }: ChipsProps) {
  const [all, setAll] = useState(false);
  const shown = all ? options : options.filter(({ value }, i) => i < SHOWN || value === chosen);
  return (
    <Row role="group" aria-label={label} className="flex-wrap gap-2">
      {shown.map(({ value, label: text }) => (
        <Toggle key={value} narrow label={text} on={value === chosen} onPress={() => onChoose(value)} />
      ))}
      {shown.length < options.length && (
        <Button
          label={`${options.length - shown.length} more`}
          aria-label={`${options.length - shown.length} more of ${label.toLowerCase()}`}
          onPress={() => setAll(true)}
        />
      )}
    </Row>
  );
}
