import { useQuery } from '@tanstack/react-query';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { ScrollView, View } from 'react-native';
import type { Charts } from '@/core/record/shapes/charts-schema';
import { Part } from '@/ui/Part';
import { Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { TemperBar } from '@/ui/TemperBar';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { request } from '../../../client/api';
import { LogTabs } from '../../shared/LogTabs';
import { DAYS } from '../../../client/records-client';
import { useRigs } from '../../../client/use-records';
import { meanOf } from './month-words';
import { MonthChart } from './MonthChart';

const ALL = 'all';
/** Under so many beads a share says nothing. */
const FEWEST = 8;

/** Shows what two years come to: causes, beads to sound, sound at the first bead, and what worn parts do. */
export function ChartsPlace() {
  useTitle('Charts');
  const router = useRouter();
  const { rig } = useLocalSearchParams<{ rig?: string }>();
  const rigs = useRigs().data ?? [];
  const { data, error, refetch } = useQuery({
    queryKey: [...DAYS, 'charts', rig ?? ALL],
    queryFn: (): Promise<Charts> => request('GET', `/log/charts${rig === undefined ? '' : `?rig=${rig}`}`),
  });
  return (
    <ScrollView contentContainerClassName="w-full max-w-6xl gap-5 self-center p-4 pb-10">
      <Heading level={1}>Charts</Heading>
      <LogTabs at="charts" />
      <Choice
        label="Rig"
        options={[{ value: ALL, label: 'All rigs' }, ...rigs.map(({ id, name }) => ({ value: id, label: name }))]}
        chosen={rig ?? ALL}
        onChoose={(chosen) => router.setParams({ rig: chosen === ALL ? undefined : chosen })}
      />
      {data !== undefined ? (
        <Drawn charts={data} />
      ) : error !== null ? (
        <StateNote
          title="The charts cannot be made"
          text={error.message}
          action={{ label: 'Try again', onPress: () => void refetch() }}
        />
      ) : (
        <Loading what="the charts" />
      )}
    </ScrollView>
  );
}

const percent = (share: number): string => `${Math.round(100 * share)} %`;
const oneDigit = (value: number): string => value.toFixed(1);

/** "1.8, in the year before 2.1"; the mean over the months. */
function yearWords(values: readonly (number | null)[], words: (value: number) => string): string {
  const [before, last] = [meanOf(values.slice(0, -12)), meanOf(values.slice(-12))];
  if (last === null) return before === null ? 'Nothing yet.' : `Nothing in the last year; ${words(before)} before.`;
  return before === null
    ? `${words(last)} in the last year.`
    : `${words(last)} in the last year, ${words(before)} in the one before.`;
}

function Drawn({ charts }: { charts: Charts }) {
  const { months, causes, beadsToSound, coupons, soundAtFirst, parts } = charts;
  const none = coupons.every((count) => (count ?? 0) === 0);
  if (none)
    return <StateNote title="Nothing to draw yet" text="Run and judge some beads: what they come to is drawn here." />;
  return (
    <>
      <Part title="Beads until one is sound">
        <Row className="flex-wrap gap-4">
          {beadsToSound.map(({ rigId, name, means }) => (
            <MonthChart
              key={rigId ?? ALL}
              title={name}
              says={yearWords(means, oneDigit)}
              months={months}
              values={means}
              most={4}
              words={oneDigit}
            />
          ))}
        </Row>
      </Part>
      <Part title="Sound with the first bead">
        <MonthChart
          title="Share of coupons, %"
          says={yearWords(soundAtFirst, percent)}
          months={months}
          values={soundAtFirst.map((share) => (share === null ? null : 100 * share))}
          most={100}
          words={(value) => `${Math.round(value)} %`}
        />
      </Part>
      {causes.length > 0 && (
        <Part title="What was wrong, beads a month">
          <Row className="flex-wrap gap-4">
            {causes.map(({ id, name, beads }) => (
              <MonthChart
                key={id}
                title={name}
                says={countWords(beads)}
                months={months}
                values={beads}
                words={(value) => String(value)}
              />
            ))}
          </Row>
        </Part>
      )}
      {parts.length > 0 && (
        <Part title="What worn parts do">
          <Words className="text-sm text-faint">
            Beads by the arc that had burned on the part, and how many of them show what it causes when it is worn.
          </Words>
          <Row className="flex-wrap gap-6">
            {parts.map((part) => (
              <PartAges key={part.task} part={part} />
            ))}
          </Row>
        </Part>
      )}
    </>
  );
}

function countWords(beads: readonly (number | null)[]): string {
  const sum = (of: readonly (number | null)[]): number => of.reduce<number>((all, count) => all + (count ?? 0), 0);
  return `${sum(beads.slice(-12))} beads in the last year, ${sum(beads.slice(0, -12))} in the one before.`;
}

/** One part: the share that shows it, by its age. It is a table already, with the share drawn beside the figure. */
function PartAges({ part: { name, ages } }: { part: Charts['parts'][number] }) {
  const shares = ages.map(({ beads, showing }) => (beads < FEWEST ? null : showing / beads));
  const most = Math.max(0.01, ...shares.map((share) => share ?? 0));
  return (
    <View
      role="table"
      aria-label={`${name}: beads that show it, by its age`}
      className="min-w-[300px] max-w-[560px] flex-1 gap-1"
    >
      <Words strong>{name}</Words>
      {ages.map(({ fromMin, toMin, beads }, i) => (
        <Row key={fromMin} role="row" className="items-center gap-3">
          <Words role="cell" className="w-28 text-sm">
            {i === ages.length - 1 ? `from ${fromMin} min` : `${fromMin} to ${toMin} min`}
          </Words>
          <View className="min-w-0 flex-1">{shares[i] !== null && <TemperBar share={shares[i] / most} />}</View>
          <Words role="cell" strong className="w-28 text-right text-sm">
            {shares[i] === null ? `${beads} beads: too few` : `${percent(shares[i])} of ${beads}`}
          </Words>
        </Row>
      ))}
    </View>
  );
}
