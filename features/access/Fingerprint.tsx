import { View } from 'react-native';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';

/** Pairs in a line: a thumb can keep its place in four lines of eight. */
const A_LINE = 8;

/** A fingerprint as it is compared by eye, four short lines. @param of pairs of hex with colons */
export function Fingerprint({ of }: { of: string }) {
  const pairs = of.split(':');
  const lines = Array.from({ length: Math.ceil(pairs.length / A_LINE) }, (_, i) =>
    pairs.slice(A_LINE * i, A_LINE * (i + 1)),
  );
  return (
    <View aria-label={`SHA-256 ${of}`} role="group">
      <Words className="text-sm text-faint">SHA-256</Words>
      {lines.map((line, i) => (
        <Row key={i}>
          {line.map((pair, j) => (
            <Words key={j} strong className="w-8">
              {pair}
            </Words>
          ))}
        </Row>
      ))}
    </View>
  );
}
