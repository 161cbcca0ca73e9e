import { lazy, Suspense, useState } from 'react';
import { View } from 'react-native';
import { confusionOf, mixedUp, rightByTens, toldApart } from '@/core/school/confusion';
import { levelAfter, LEVELS } from '@/core/school/level';
import { DRILLS, ofDrill, type Drill } from '@/core/school/practice-schema';
import { PRACTICE } from '@/client/stored/practice';
import { store } from '@/platform/stored';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { StateNote } from '@/ui/State';
import { useChartInks } from '@/ui/use-ink';
import { Heading, Words } from '@/ui/Words';
import { BackToSchool } from './DrillHead';
import { itemName, itemsOf } from './drills';
import { usePractice } from './use-practice';

const ChartGround = lazy(() => import('../shared/ChartGround'));

const DRILL_NAMES: Record<Drill, string> = {
  'by-ear': 'By ear',
  'by-eye': 'By eye, what it shows',
  'its-cause': 'By eye, its cause',
  'one-knob': 'Turn one knob',
  'set-blind': 'Set it blind',
  'what-first': 'What first?',
};
const HEIGHT = 150;

/** Shows what is told apart by now and what is still mixed up, drill by drill. */
export default function Progress() {
  const practice = usePractice();
  const [sure, setSure] = useState(false);
  const drilled = DRILLS.filter((drill) => ofDrill(practice, drill).length > 0);
  return (
    <View role="region" aria-label="What I tell apart" className="gap-6 p-4">
      <View className="gap-1">
        <BackToSchool />
        <Heading level={1} className="text-2xl">
          What I tell apart
        </Heading>
      </View>
      {drilled.length === 0 && (
        <StateNote title="Nothing yet" text="Do a drill or two; what you mix up shows here, and is asked more often." />
      )}
      {drilled.map((drill) => (
        <OneDrill key={drill} drill={drill} />
      ))}
      {drilled.length > 0 && (
        <Button
          label={sure ? 'Forget all of it for good' : 'Forget what I answered'}
          onPress={() => {
            if (sure) store(PRACTICE, { answers: [] });
            setSure(!sure);
          }}
        />
      )}
    </View>
  );
}

function OneDrill({ drill }: { drill: Drill }) {
  const practice = usePractice();
  const answers = ofDrill(practice, drill);
  const items = itemsOf(drill, practice);
  const table = confusionOf(answers, items);
  const apart = (drill === 'set-blind' ? [] : toldApart(answers, items)).map((item) => itemName(drill, item));
  // How few beads it takes is nothing to be mixed up.
  const mixed = drill === 'set-blind' ? [] : mixedUp(table);
  return (
    <View role="region" aria-label={DRILL_NAMES[drill]} className="gap-2 rounded-md bg-plate p-3">
      <Heading level={2}>{DRILL_NAMES[drill]}</Heading>
      <Words>{`${answers.length} ${answers.length === 1 ? 'answer' : 'answers'}, step ${levelAfter(answers)} of ${LEVELS.most}.`}</Words>
      {apart.length > 0 && <Words>{`Told apart: ${apart.join(', ').toLowerCase()}.`}</Words>}
      {mixed.slice(0, 3).map(({ one, other, times, of }) => (
        <Words key={`${one} ${other}`} strong>
          {`Mixed up: ${itemName(drill, one).toLowerCase()} and ${itemName(drill, other).toLowerCase()}, ${times} of ${of}.`}
        </Words>
      ))}
      <RightChart shares={rightByTens(answers)} />
      {drill === 'by-ear' && <Table drill={drill} items={items} counts={table.counts} />}
    </View>
  );
}

/** Share of right answers, ten at a time. */
function RightChart({ shares }: { shares: readonly number[] }) {
  const [width, setWidth] = useState(0);
  const inks = useChartInks();
  if (shares.length < 2) return null;
  const percents = shares.map((share) => Math.round(100 * share));
  return (
    <View
      role="img"
      aria-label={`Right of each ten: ${percents.join(', ')} %`}
      onLayout={({ nativeEvent }) => setWidth(Math.min(460, Math.round(nativeEvent.layout.width)))}
    >
      {width > 0 && (
        <Suspense fallback={<View style={{ height: HEIGHT }} />}>
          <ChartGround
            width={width}
            height={HEIGHT}
            left={44}
            top={12}
            labels={percents.map((_, i) => String(10 * (i + 1)))}
            lines={[{ data: percents, color: inks.act, strokeWidth: 2 }]}
            ends={[0, 100]}
            inks={inks}
            over={() => <View />}
          />
        </Suspense>
      )}
      <Words className="text-sm text-faint">Right of each ten, %, over how many were answered</Words>
    </View>
  );
}

/** Shows what was said for what: a row for what it was, a column for what was said. */
function Table({ drill, items, counts }: { drill: Drill; items: readonly string[]; counts: readonly number[][] }) {
  return (
    <View className="gap-1">
      <Words className="text-sm text-faint">Rows: what it was. Columns: what you said, in the same order.</Words>
      <View role="table" aria-label={`${DRILL_NAMES[drill]}: what was said for what`} className="gap-px">
        <Row role="row">
          <View role="columnheader" className="flex-1" />
          {items.map((item, i) => (
            <View key={item} role="columnheader" aria-label={itemName(drill, item)} className="w-9">
              <Words className="text-center text-sm">{i + 1}</Words>
            </View>
          ))}
        </Row>
        {items.map((item, i) => (
          <Row key={item} role="row" className="items-center border-t border-edge">
            <View role="rowheader" className="flex-1">
              <Words className="text-sm leading-tight">{`${i + 1} ${itemName(drill, item)}`}</Words>
            </View>
            {items.map((said, j) => (
              <View
                key={said}
                role="cell"
                className={`h-9 w-9 items-center justify-center ${i === j ? 'border-2 border-ink' : ''}`}
              >
                <Words strong={i !== j && counts[i][j] > 0} className="text-center">
                  {counts[i][j] === 0 ? '·' : counts[i][j]}
                </Words>
              </View>
            ))}
          </Row>
        ))}
      </View>
    </View>
  );
}
