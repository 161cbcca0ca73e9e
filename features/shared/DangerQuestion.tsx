import { View } from 'react-native';
import type { SafetyQuestion } from '@/core/diagnosis/safety-gate';
import { Toggle } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { useTextIn } from './use-habits';

type Props = {
  question: SafetyQuestion;
  /** Whether it was said to be so; null where nothing was said. */
  said: boolean | null;
  onSay: (isSo: boolean) => void;
};

/** A question of what can hurt, answered in the words of what is so; what is not answered has neither. */
export function DangerQuestion({ question: { text, answers, because }, said, onSay }: Props) {
  const textIn = useTextIn();
  const asked = textIn(text);
  return (
    <View className="gap-2">
      <Words strong>{asked}</Words>
      {because !== null && <Words className="text-faint">{because}</Words>}
      <View role="radiogroup" aria-label={asked} className="gap-2">
        {answers.map(({ isSo, text: answer }) => (
          <Toggle
            counts
            key={String(isSo)}
            role="radio"
            label={textIn(answer)}
            on={said === isSo}
            onPress={() => onSay(isSo)}
          />
        ))}
      </View>
    </View>
  );
}
