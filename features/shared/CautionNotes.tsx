import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import { useColorScheme, View } from 'react-native';
import type { CautionNote } from '@/core/diagnosis/cautions';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { useTextIn } from './use-habits';

/** Cautions; a stop condition stands in red, the only use of red there is. */
export function CautionNotes({ cautions }: { cautions: readonly CautionNote[] }) {
  const sign = useColorScheme() === 'dark' ? '#280404' : '#ffffff';
  const textIn = useTextIn();
  if (cautions.length === 0) return null;
  return (
    <View className="gap-2">
      {cautions.map(({ id, stop, text }) =>
        stop ? (
          <Row key={id} role="alert" className="items-start gap-3 rounded-md bg-stop p-3">
            <TriangleAlert size={28} color={sign} />
            <Words strong className="flex-1 text-on-stop">
              {textIn(text)}
            </Words>
          </Row>
        ) : (
          <Words key={id} className="border-l-4 border-edge pl-3">
            {textIn(text)}
          </Words>
        ),
      )}
    </View>
  );
}
