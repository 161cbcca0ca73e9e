import { View } from 'react-native';
import { Words } from '@/ui/Words';
import { useTextIn } from './use-habits';

/** Shows what is said of one side of a job, under its name; nothing where nothing is to be said. */
export function TopicNotes({
  label,
  lines,
  className = '',
}: {
  label: string;
  lines: readonly string[];
  className?: string;
}) {
  const textIn = useTextIn();
  if (lines.length === 0) return null;
  return (
    <View className={className}>
      <Words className="text-sm text-faint">{label}</Words>
      {lines.map((line) => (
        <Words key={line}>{textIn(line)}</Words>
      ))}
    </View>
  );
}
