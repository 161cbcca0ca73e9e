import { useMemo } from 'react';
import { View } from 'react-native';
import { Button } from '@/ui/Press';
import { useKeys, type Keys } from '@/ui/use-keys';
import type { Option } from '@/core/school/eye-items';

type OptionsProps = {
  options: readonly Option[];
  /** What was said; null while nothing is. */
  said: string | null;
  /** What it is. */
  right: string;
  onSay: (id: string) => void;
  label: string;
};

/** Shows what can be said, one under the other, each with the figure of its key; once said, which was right. */
export function Options({ options, said, right, onSay, label }: OptionsProps) {
  const keys = useMemo<Keys>(
    () => (said !== null ? {} : Object.fromEntries(options.map(({ id }, i) => [String(i + 1), () => onSay(id)]))),
    [options, said, onSay],
  );
  useKeys(keys);
  return (
    <View role="group" aria-label={label} className="gap-2">
      {options.map(({ id, name }, i) => {
        const mark = said === null ? '' : id === right ? ' ✓' : id === said ? ' ✕ you said' : '';
        return (
          <Button
            key={id}
            label={`${i + 1}  ${name}${mark}`}
            aria-label={`${name}${said === null ? '' : id === right ? ': right' : id === said ? ': you said this' : ''}`}
            tone={said !== null && id === right ? 'act' : 'plain'}
            disabled={said !== null && id !== right && id !== said}
            onPress={() => said === null && onSay(id)}
          />
        );
      })}
    </View>
  );
}
