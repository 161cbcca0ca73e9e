import type { ReactNode } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { WIDE } from './wide';
import { Row } from './Row';

type TwoPaneProps = {
  list: ReactNode;
  /** The chosen thing, or what stands there while nothing is chosen. */
  detail: ReactNode;
  /** Whether something is chosen: on a phone it then takes the place of the list. */
  chosen: boolean;
};

/** A list and what is chosen in it: side by side on a wide screen, one after the other on a phone; on paper the chosen alone. */
export function TwoPane({ list, detail, chosen }: TwoPaneProps) {
  const { width } = useWindowDimensions();
  if (width < WIDE) return chosen ? detail : list;
  return (
    <Row className="h-full flex-1">
      <View className="no-print w-[400px] flex-none border-r-2 border-edge">{list}</View>
      <View className="min-w-0 flex-1">{detail}</View>
    </Row>
  );
}
