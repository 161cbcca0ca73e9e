import { View } from 'react-native';
import { Button } from './Press';
import { Heading, Words } from './Words';

type StateProps = { title: string; text: string; action?: { label: string; onPress: () => void } };

/** Empty, failed or offline: what is so, and the way on. */
export function StateNote({ title, text, action }: StateProps) {
  return (
    <View role="status" className="m-4 gap-3 rounded-md bg-plate p-4">
      <Heading level={2}>{title}</Heading>
      <Words>{text}</Words>
      {action && <Button tone="act" label={action.label} onPress={action.onPress} />}
    </View>
  );
}

/** While something loads: said in words, for a spinner says nothing. */
export function Loading({ what }: { what: string }) {
  return (
    <View role="status" aria-live="polite" className="p-6">
      <Words className="text-faint">Fetching {what}…</Words>
    </View>
  );
}
