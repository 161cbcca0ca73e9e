import { View } from 'react-native';
import type { FindingState } from '@/core/case/schema';
import type { StatedAnswer } from '@/core/knowledge';
import { Toggle } from '@/ui/Press';
import { useTextIn } from './use-habits';

type Props = {
  /** What is looked at. */
  name: string;
  answers: readonly StatedAnswer[];
  state: FindingState;
  onAnswer: (state: FindingState) => void;
};

/**
 * A look answered in the words of what is seen, the same pair in the same order wherever it is asked. The chosen one, tapped
 * again, is not said any more.
 */
export function CheckAnswers({ name, answers, state, onAnswer }: Props) {
  const textIn = useTextIn();
  return (
    <View role="radiogroup" aria-label={name} className="gap-2">
      {answers.map(({ state: means, text }) => (
        <Toggle
          key={means}
          role="radio"
          counts
          label={textIn(text)}
          spoken={`${name}: ${textIn(text)}`}
          on={state === means}
          onPress={() => onAnswer(state === means ? 'unknown' : means)}
        />
      ))}
    </View>
  );
}
