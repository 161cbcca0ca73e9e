import { useRouter } from 'expo-router';
import { useWindowDimensions, View } from 'react-native';
import { LEVELS } from '@/core/school/level';
import { isRight, type Answered } from '@/core/school/practice-schema';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { WIDE } from '@/ui/wide';
import { Heading, Words } from '@/ui/Words';
import { PART_WORDS } from './drills';
import type { DrillPart } from './school-parts';

/** So many answers are looked back on. */
const LATELY = 20;

/** The head of a drill: what it is, how hard by now, and how it went of late. */
export function DrillHead({ part, level, answers }: { part: DrillPart; level: number; answers: readonly Answered[] }) {
  const late = answers.slice(-LATELY);
  const right = late.filter(isRight).length;
  return (
    <View className="gap-1">
      <BackToSchool />
      <Heading level={1} className="text-2xl">
        {PART_WORDS[part].title}
      </Heading>
      <Words className="text-faint">
        {`Step ${level} of ${LEVELS.most}${late.length === 0 ? '' : `, ${right} of the last ${late.length} right`}`}
      </Words>
    </View>
  );
}

/** The way back to the list, where it does not stand beside. */
export function BackToSchool() {
  const router = useRouter();
  if (useWindowDimensions().width >= WIDE) return null;
  return (
    <Row>
      <Button
        tone="quiet"
        label="‹ School"
        aria-label="Back to the School"
        onPress={() => router.navigate('/school')}
      />
    </Row>
  );
}
