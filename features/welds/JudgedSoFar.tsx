import { View } from 'react-native';
import type { Judgement } from '@/core/inspection/judge';
import { Words } from '@/ui/Words';
import { useUnits } from '../shared/use-habits';
import { WELD_STATE_WORDS } from '@/core/record/words/weld-words';
import { lineText } from './weld-words';

/** Shows what the limits say of it so far. @param whole every limit, or only what is over */
export function JudgedSoFar({ judged, whole }: { judged: Judgement; whole: boolean }) {
  const units = useUnits();
  const { verdict, because, lines } = judged;
  const over = lines.filter((line) => line.over);
  return (
    <View role="status" aria-live="polite" aria-label="So far" className="gap-1">
      <Words strong className="text-2xl">
        {WELD_STATE_WORDS[verdict]}
      </Words>
      <Words className={whole ? '' : 'text-sm'}>{because}</Words>
      {over.slice(0, whole ? 20 : 3).map((line) => (
        <Words key={`${line.defect}${line.unit}`} strong>
          {lineText(line, units)}
        </Words>
      ))}
      {whole &&
        lines
          .filter((line) => !line.over)
          .map((line) => (
            <Words key={`${line.defect}${line.unit}`} className="text-faint">
              {lineText(line, units)}
            </Words>
          ))}
    </View>
  );
}
