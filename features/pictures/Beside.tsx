import { useState, type ReactNode } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { Button, Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';

/** One way in which a thing can be looked at: drawn, or a photograph. */
export type Look = { id: string; label: string; show: (width: number) => ReactNode };

/** Something that can stand on either side. */
export type BesideThing = {
  id: string;
  /** Short, for choosing: "3". */
  chip: string;
  name: string;
  looks: readonly Look[];
  /** What is said of it, by the same names on both sides. */
  facts: readonly { name: string; text: string }[];
};

type Side = { thing: string; look: string };

type BesideProps = {
  title: string;
  things: readonly BesideThing[];
  /** What is chosen from. */
  choose: string;
  back: { label: string; onPress: () => void };
};

/** Returns what is shown first: the last two, each by a photograph of the same kind where both have one. */
function firstSides(things: readonly BesideThing[]): [Side, Side] {
  const [left, right] = [things.at(-2) ?? things[0], things[things.length - 1]];
  const labels = (of: BesideThing): string[] => of.looks.map(({ label }) => label.replace(/ \d+$/, ''));
  const shared = [...left.looks].reverse().find(({ label }) => labels(right).includes(label.replace(/ \d+$/, '')));
  const lookOf = (of: BesideThing): string =>
    (of.looks.findLast(({ label }) => label.replace(/ \d+$/, '') === shared?.label.replace(/ \d+$/, '')) ?? of.looks[0])
      .id;
  return [
    { thing: left.id, look: lookOf(left) },
    { thing: right.id, look: lookOf(right) },
  ];
}

/** Two of a kind side by side: each chosen by itself, with what differs between them in heavy type. */
export function Beside({ title, things, choose, back }: BesideProps) {
  useTitle('Side by side');
  const { width: screen } = useWindowDimensions();
  const [sides, setSides] = useState(() => firstSides(things));
  const column = Math.floor((Math.min(screen - (screen >= 760 ? 84 : 0), 1100) - 32 - 12) / 2);
  const chosen = sides.map(({ thing }) => things.find(({ id }) => id === thing) ?? things[0]);
  const set = (side: number, next: Side): void =>
    setSides(sides.map((one, i) => (i === side ? next : one)) as [Side, Side]);
  const names = [...new Set(chosen.flatMap(({ facts }) => facts.map(({ name }) => name)))];
  const textOf = (side: number, name: string): string =>
    chosen[side].facts.find((fact) => fact.name === name)?.text ?? '–';
  return (
    <ScrollView contentContainerClassName="w-full max-w-[1100px] gap-4 self-center p-4 pb-10">
      <Heading level={1} className="text-xl">
        {title}
      </Heading>
      <Row className="items-start gap-3">
        {(['Left', 'Right'] as const).map((name, side) => {
          const thing = chosen[side];
          const look = thing.looks.find(({ id }) => id === sides[side].look) ?? thing.looks[0];
          return (
            <View
              key={name}
              role="group"
              aria-label={`${name}: ${thing.name}`}
              className="gap-2"
              style={{ width: column }}
            >
              <Row role="radiogroup" aria-label={`${choose}, ${name.toLowerCase()}`} className="flex-wrap gap-2">
                {things.map((one) => (
                  <Toggle
                    key={one.id}
                    narrow
                    role="radio"
                    label={one.chip}
                    of={name.toLowerCase()}
                    on={one.id === thing.id}
                    className="min-w-14"
                    onPress={() => {
                      const same = one.looks.find(({ label }) => label === look.label) ?? one.looks[0];
                      set(side, { thing: one.id, look: same.id });
                    }}
                  />
                ))}
              </Row>
              <View className="overflow-hidden rounded-md">{look.show(column)}</View>
              {thing.looks.length > 1 && (
                <Row role="radiogroup" aria-label={`Shown, ${name.toLowerCase()}`} className="flex-wrap gap-2">
                  {thing.looks.map(({ id, label }) => (
                    <Toggle
                      key={id}
                      narrow
                      role="radio"
                      label={label}
                      of={name.toLowerCase()}
                      on={id === look.id}
                      onPress={() => set(side, { thing: thing.id, look: id })}
                    />
                  ))}
                </Row>
              )}
            </View>
          );
        })}
      </Row>
      <View role="table" aria-label="What differs" className="gap-2">
        {names.map((name) => {
          const [left, right] = [textOf(0, name), textOf(1, name)];
          return (
            <View key={name} role="row" className="gap-0.5 border-t-2 border-edge pt-2">
              <Words role="rowheader" className="text-sm text-faint">
                {name}
              </Words>
              <Row className="gap-3">
                {[left, right].map((text, side) => (
                  <Words
                    key={side}
                    role="cell"
                    strong={left !== right}
                    className={left === right ? 'text-faint' : ''}
                    style={{ width: column, fontVariant: ['tabular-nums'] }}
                  >
                    {text}
                  </Words>
                ))}
              </Row>
            </View>
          );
        })}
      </View>
      <Row>
        <Button label={back.label} onPress={back.onPress} />
      </Row>
    </ScrollView>
  );
}
