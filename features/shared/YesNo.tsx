import { View } from 'react-native';
import { Choice } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { useTextIn } from './use-habits';

const YES_NO = [
  { value: 'no', label: 'No' },
  { value: 'yes', label: 'Yes' },
] as const;
export type YesOrNo = (typeof YES_NO)[number]['value'];

/** A question that takes yes or no; what is not answered has neither. */
export function YesNo({
  question,
  chosen,
  onChoose,
}: {
  question: string;
  chosen: YesOrNo | null;
  onChoose: (answer: YesOrNo) => void;
}) {
  const asked = useTextIn()(question);
  return (
    <View className="gap-1">
      <Words strong>{asked}</Words>
      <Choice label={asked} options={YES_NO} chosen={chosen} onChoose={onChoose} />
    </View>
  );
}
