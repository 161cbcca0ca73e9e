import type { ReactNode } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { Row } from '@/ui/Row';

/** From here on two columns have room beside the list. */
const TWO = 1200;

/** Shows what is looked at or heard beside what is said of it, where there is room; one under the other where there is not. */
export function Columns({ left, right }: { left: ReactNode; right: ReactNode }) {
  if (useWindowDimensions().width < TWO)
    return (
      <>
        {left}
        {right}
      </>
    );
  return (
    <Row className="items-start gap-6">
      <View className="min-w-0 flex-1 gap-4">{left}</View>
      <View className="min-w-0 flex-1 gap-4">{right}</View>
    </Row>
  );
}
