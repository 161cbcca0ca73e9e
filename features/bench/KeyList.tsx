import { View } from 'react-native';
import { Row } from '@/ui/Row';
import { Heading, Words } from '@/ui/Words';

const KEYS: readonly [key: string, does: string][] = [
  ['↑ ↓', 'turn the open knob'],
  ['← →', 'another knob'],
  ['/', 'find a finding by a word'],
  ['n', 'log this bead, next one'],
  ['u', 'undo'],
  ['?', 'show or hide this list'],
];

/** Shows what the keys do on the bench. */
export function KeyList() {
  return (
    <View role="region" aria-label="Keys" className="gap-1 px-4">
      <Heading level={2}>Keys</Heading>
      {KEYS.map(([key, does]) => (
        <Row key={key} className="gap-3">
          <Words strong className="w-12">
            {key}
          </Words>
          <Words>{does}</Words>
        </Row>
      ))}
    </View>
  );
}
