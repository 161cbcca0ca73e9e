import { View } from 'react-native';
import type { FindingState } from '@/core/case/schema';
import type { NextCheck } from '@/core/diagnosis/next-check';
import { check, finding } from '@/core/knowledge';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Heading, Words } from '@/ui/Words';

type ChecksProps = { checks: readonly NextCheck[]; onAnswer: (id: string, state: FindingState) => void };

/** What would tell the most for the least time; one tap answers it. */
export function NextChecks({ checks, onAnswer }: ChecksProps) {
  if (checks.length === 0) return null;
  return (
    <View className="gap-2">
      <Heading level={2}>Check next</Heading>
      {checks.slice(0, 4).map(({ check: id, kind, minutes }) => {
        const entry = kind === 'check' ? check(id) : finding(id);
        const [yes, no] = kind === 'check' ? ['It shows', 'It is clear'] : ['Seen', 'Not there'];
        return (
          <View key={id} className="gap-2 rounded-md bg-plate p-3">
            <Row className="items-baseline justify-between gap-2">
              <Words strong className="flex-1 text-lg">
                {entry.name}
              </Words>
              <Words className="text-sm">{minutes < 1 ? 'under a minute' : `${Math.round(minutes)} min`}</Words>
            </Row>
            <Words>{entry.plain}</Words>
            {'shows' in entry && <Words className="text-faint">{`The fault shows as: ${entry.shows}.`}</Words>}
            {'caution' in entry && entry.caution && <Words strong>{`Mind: ${entry.caution}`}</Words>}
            <Row className="gap-2">
              <Button
                className="flex-1"
                label={yes}
                aria-label={`${entry.name}: ${yes.toLowerCase()}`}
                onPress={() => onAnswer(id, 'present')}
              />
              <Button
                className="flex-1"
                label={no}
                aria-label={`${entry.name}: ${no.toLowerCase()}`}
                onPress={() => onAnswer(id, 'absent')}
              />
            </Row>
          </View>
        );
      })}
    </View>
  );
}
