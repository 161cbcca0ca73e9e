import { View } from 'react-native';
import { Choice } from '@/ui/Press';
import { Heading, Words } from '@/ui/Words';
import { CHANGES_WORDS } from '../shared/habit-words';
import { useHabits, useTextIn } from '../shared/use-habits';

/** Shows how this person welds: units, and a school wherever welders disagree. The first of each is the default. */
export function HabitsPanel() {
  const [habits, setHabits] = useHabits();
  const school = (change: Partial<typeof habits.schools>): void =>
    setHabits({ ...habits, schools: { ...habits.schools, ...change } });
  return (
    <View className="gap-4">
      <Heading level={1}>How you weld</Heading>
      <Habit
        title="Units"
        options={[
          { value: 'metric', label: 'mm, m/min, L/min' },
          { value: 'inch', label: 'in, in/min, cfh' },
        ]}
        chosen={habits.units}
        onChoose={(units) => setHabits({ ...habits, units })}
      />
      <Habit
        title="Out of balance"
        why="By heat: a cold bead gets volts, a hot one less wire."
        options={[
          { value: 'by-heat', label: 'By heat' },
          { value: 'volts', label: 'Turn volts' },
          { value: 'wire', label: 'Turn wire' },
        ]}
        chosen={habits.schools.imbalance}
        onChoose={(imbalance) => school({ imbalance })}
      />
      <Habit
        title="Gas"
        why="Ample: about 11 L/min through a 13 mm nozzle. Lean: about 8 L/min."
        options={[
          { value: 'ample', label: 'Ample' },
          { value: 'lean', label: 'Lean' },
        ]}
        chosen={habits.schools.gasFlow}
        onChoose={(gasFlow) => school({ gasFlow })}
      />
      <Habit
        title="Stick-out"
        why="Standard: about 10 mm in short circuit. Tight: about 8 mm."
        options={[
          { value: 'standard', label: 'Standard' },
          { value: 'tight', label: 'Tight' },
        ]}
        chosen={habits.schools.stickOut}
        onChoose={(stickOut) => school({ stickOut })}
      />
      <Habit
        title="Heat"
        why="As the plate wants, or a twentieth more current; never more on sheet."
        options={[
          { value: 'as-wanted', label: 'As wanted' },
          { value: 'a-bit-hot', label: 'A bit hot' },
        ]}
        chosen={habits.schools.heat ?? 'as-wanted'}
        onChoose={(heat) => school({ heat })}
      />
      <Habit
        title="Steel of 5 to 10 mm, flat"
        why="By plate: short arc to 8 mm, spray above. Spray is hotter and deeper; short arc bridges gaps, and can lie on cold."
        options={[
          { value: 'by-plate', label: 'By plate' },
          { value: 'short-arc', label: 'Short arc' },
          { value: 'spray', label: 'Spray' },
        ]}
        chosen={habits.schools.transfer ?? 'by-plate'}
        onChoose={(transfer) => school({ transfer })}
      />
      <Habit
        title="Sheet of 0.8 to 2 mm"
        why="By thickness: stitched under 1.2 mm. Stitches keep it cool and straight; a run has one start and one stop, and warps more."
        options={[
          { value: 'by-thickness', label: 'By thickness' },
          { value: 'stitch', label: 'Stitch' },
          { value: 'run', label: 'Run' },
        ]}
        chosen={habits.schools.sheet ?? 'by-thickness'}
        onChoose={(sheet) => school({ sheet })}
      />
      <Habit
        title="Gun on steel"
        why="Push: flatter, better covered. Drag: digs in more, crowns. Aluminium is always pushed, slag wire always dragged."
        options={[
          { value: 'push', label: 'Push' },
          { value: 'drag', label: 'Drag' },
        ]}
        chosen={habits.schools.gun ?? 'push'}
        onChoose={(gun) => school({ gun })}
      />
      <Habit
        title="Run"
        why="Straight stringers, or a weave with pauses at the sides. Uphill and over gaps a weave either way."
        options={[
          { value: 'straight', label: 'Straight' },
          { value: 'weave', label: 'Weave' },
        ]}
        chosen={habits.schools.run ?? 'straight'}
        onChoose={(run) => school({ run })}
      />
      <Habit
        title="Changes"
        why="One a bead shows what it did."
        options={CHANGES_WORDS}
        chosen={habits.changes}
        onChoose={(changes) => setHabits({ ...habits, changes })}
      />
    </View>
  );
}

type HabitProps<T extends string> = {
  title: string;
  why?: string;
  options: readonly { value: T; label: string }[];
  chosen: T;
  onChoose: (value: T) => void;
};

function Habit<T extends string>({ title, why, ...choice }: HabitProps<T>) {
  const textIn = useTextIn();
  return (
    <View className="gap-2">
      <Heading level={2} className="text-base">
        {title}
      </Heading>
      {why !== undefined && <Words className="text-sm text-faint">{textIn(why)}</Words>}
      <Choice label={title} {...choice} />
    </View>
  );
}
