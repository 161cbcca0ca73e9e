import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import type { Answer, NamedCause, NamedReason } from '@/core/answer';
import type { FindingState } from '@/core/case/schema';
import { Row } from '@/ui/Row';
import { likelihoodWords } from '@/ui/temper';
import { TemperBar } from '@/ui/TemperBar';
import { useInk } from '@/ui/use-ink';
import { Words } from '@/ui/Words';
import { useTextIn } from '../../shared/use-habits';

const MOST_SHOWN = 6;

/** Causes by likelihood; each opens to what speaks for and against it. */
export function CauseList({ answer, findings }: { answer: Answer; findings: Record<string, FindingState> }) {
  const [open, setOpen] = useState<string | null>(null);
  const shown = answer.causes.filter(
    ({ probability }, index) => index < MOST_SHOWN && (probability >= 0.05 || index === 0),
  );
  if (Object.keys(findings).length === 0 && (shown[0]?.probability ?? 0) < 0.3)
    return <Words>Nothing speaks loudly yet. Tap what the bead shows.</Words>;
  return (
    <View className="gap-2">
      {shown.map((verdict) => (
        <CauseRow
          key={verdict.cause}
          verdict={verdict}
          open={open === verdict.cause}
          onPress={() => setOpen(open === verdict.cause ? null : verdict.cause)}
        />
      ))}
    </View>
  );
}

function CauseRow({ verdict, open, onPress }: { verdict: NamedCause; open: boolean; onPress: () => void }) {
  const ink = useInk();
  const textIn = useTextIn();
  const percent = Math.round(verdict.probability * 100);
  const [best] = verdict.because.filter(({ weight }) => weight > 0);
  const Chevron = open ? ChevronUp : ChevronDown;
  return (
    <View className="rounded-md bg-plate">
      <Pressable role="button" aria-expanded={open} onPress={onPress} className="min-h-14 gap-1 p-3">
        <Row className="items-center justify-between gap-2">
          <Words strong className="flex-1 text-lg">
            {verdict.name}
          </Words>
          <Words>{likelihoodWords(verdict.probability)}</Words>
          <Words className="w-12 text-right text-sm">{`${percent} %`}</Words>
          <Chevron size={20} color={ink} />
        </Row>
        <TemperBar share={verdict.probability} />
        {!open && best && <Words className="text-faint">{textIn(reasonText(best))}</Words>}
      </Pressable>
      {open && (
        <View className="gap-2 px-3 pb-3">
          <Words>{textIn(verdict.plain)}</Words>
          <Reasons title="For it" reasons={verdict.because.filter(({ weight }) => weight > 0)} />
          <Reasons title="Against it" reasons={verdict.because.filter(({ weight }) => weight < 0)} />
          <Words strong>{`To be sure: ${textIn(verdict.toBeSure)}`}</Words>
          <Words>{`Cure: ${textIn(verdict.cure)} Next time: ${textIn(verdict.prevent)}`}</Words>
        </View>
      )}
    </View>
  );
}

/** A reason in trade words: what it is, and why it speaks. */
const reasonText = ({ name, because }: NamedReason): string => `${name}: ${because}`;

/** Returns how strongly a weight speaks, in words: under 2 to 1, under 7 to 1, more. */
function strengthWords(weight: number): string {
  const size = Math.abs(weight);
  if (size < 0.7) return 'a little';
  return size < 2 ? 'clearly' : 'strongly';
}

function Reasons({ title, reasons }: { title: string; reasons: NamedReason[] }) {
  const textIn = useTextIn();
  if (reasons.length === 0) return null;
  return (
    <View className="gap-1">
      <Words strong className="text-sm text-faint">
        {title}
      </Words>
      {reasons.slice(0, 7).map((reason) => (
        <Row key={reason.evidence} className="gap-2">
          <Words className="w-16 text-sm">{strengthWords(reason.weight)}</Words>
          <Words className="flex-1">{textIn(reasonText(reason))}</Words>
        </Row>
      ))}
    </View>
  );
}
