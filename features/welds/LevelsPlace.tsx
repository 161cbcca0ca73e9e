import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { LIMITS_SCHEMA, type Level, type LimitId, type Limits } from '@/core/inspection/level-schema';
import { LEVELS, LEVELS_NOTE, LIMIT_WORDS } from '@/core/inspection/levels';
import { fromUser, readable, unitOf, type UnitSystem } from '@/core/quantity/units';
import { NumberField } from '@/ui/NumberField';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { TextField } from '@/ui/TextField';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { typedFigure } from '../shared/record-form';
import { makeChange } from '../../client/send-changes';
import { useUnits } from '../shared/use-habits';
import { useSubmit } from '../../client/use-records';
import { useLevels } from '../../client/use-welds';

/** The workshop's own table of limits: three levels, each to be edited. */
export function LevelsPlace() {
  useTitle('Limits of acceptance');
  const levels = useLevels();
  const [chosen, setChosen] = useState(levels[1].id);
  const level = levels.find(({ id }) => id === chosen) ?? levels[0];
  return (
    <ScrollView contentContainerClassName="w-full max-w-4xl gap-4 self-center p-4 pb-10">
      <Heading level={1}>Limits of acceptance</Heading>
      <Words strong className="border-l-4 border-ink pl-3">
        {LEVELS_NOTE}
      </Words>
      <Choice
        label="Level"
        options={levels.map(({ id, name }) => ({ value: id, label: name }))}
        chosen={level.id}
        onChoose={setChosen}
      />
      <LevelForm key={`${level.id} ${level.revision}`} level={level} />
    </ScrollView>
  );
}

const IDS = Object.keys(LIMIT_WORDS) as LimitId[];
const isLength = (id: LimitId): boolean => LIMIT_WORDS[id].unit === 'mm';
const unitFor = (id: LimitId, units: UnitSystem): string =>
  isLength(id) ? unitOf('length', units) : (LIMIT_WORDS[id].unit ?? '');

const textsOf = (limits: Limits, units: UnitSystem): Record<LimitId, string> =>
  Object.fromEntries(
    IDS.map((id) => [id, isLength(id) ? readable(limits[id], 'length', units) : String(limits[id])]),
  ) as Record<LimitId, string>;

function LevelForm({ level }: { level: Level }) {
  const [units] = useState(useUnits());
  const [name, setName] = useState(level.name);
  const [use, setUse] = useState(level.use);
  const [texts, setTexts] = useState(() => textsOf(level.limits, units));
  const [from] = useState(texts);
  const [kept, setKept] = useState(false);
  const { put, busy, problem } = useSubmit();
  const read = IDS.map((id) => ({ id, ...limitOf(id, texts[id], from[id], level.limits[id], units) }));
  const wrong = read.filter((one) => one.problem !== null);
  const noName = name.trim() === '' ? 'A name for it, of one line.' : null;
  const own = LEVELS.find(({ id }) => id === level.id);
  const save = async (): Promise<void> => {
    if (wrong.length > 0 || noName !== null) return;
    const limits = Object.fromEntries(read.map(({ id, value }) => [id, value])) as Limits;
    if (await put([makeChange('change-level', level.id, { name: name.trim(), use, limits }, level.revision)]))
      setKept(true);
  };
  return (
    <View className="gap-3">
      <TextField label="Name" value={name} onChange={setName} maxLength={40} problem={noName} />
      <TextField label="What it is for" value={use} onChange={setUse} maxLength={300} lines={2} />
      <Row className="flex-wrap gap-3">
        {read.map(({ id, problem: takes }) => (
          <NumberField
            key={id}
            className="w-64"
            label={LIMIT_WORDS[id].name}
            unit={unitFor(id, units)}
            text={texts[id]}
            onType={(text) => {
              setTexts({ ...texts, [id]: text });
              setKept(false);
            }}
            problem={takes}
          />
        ))}
      </Row>
      <Words className="text-sm text-faint">
        Cracks, and what is plainly not fused, pass no level. Inspections that are kept go on saying what they said.
      </Words>
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
      {kept && <Words role="status">The limits are kept.</Words>}
      <Row className="gap-2">
        {own !== undefined && (
          <Button label="As it was at first" onPress={() => setTexts(textsOf(own.limits, units))} />
        )}
        <Button tone="act" className="flex-1" label="Keep the limits" disabled={busy} onPress={() => void save()} />
      </Row>
    </View>
  );
}

/** A limit as it was typed; one that was not touched is what it was, to the last digit. */
function limitOf(
  id: LimitId,
  text: string,
  from: string,
  was: number,
  units: UnitSystem,
): { value: number; problem: string | null } {
  if (text === from) return { value: was, problem: null };
  const figure = typedFigure(text);
  const { minimum, maximum } = LIMITS_SCHEMA.properties[id];
  const value =
    figure === undefined ? NaN : isLength(id) ? Number(fromUser(figure, 'length', units).toFixed(4)) : figure;
  const whole = id !== 'burnThroughs' || Number.isInteger(value);
  if (value >= minimum && value <= maximum && whole) return { value, problem: null };
  const shown = (limit: number): string => (isLength(id) ? readable(limit, 'length', units) : String(limit));
  return {
    value: was,
    problem: `A figure from ${shown(minimum)} to ${shown(maximum)} ${unitFor(id, units)}`.trim() + '.',
  };
}
