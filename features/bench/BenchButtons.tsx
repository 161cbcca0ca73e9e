import Undo from 'lucide-react-native/icons/undo-2';
import { Button } from '@/ui/Press';
import { useInk } from '@/ui/use-ink';
import { useBenchActions, useBenchRecords, useCanUndo, useDraftPart, useLive, useSaving } from './state/bench';

/** Logs the bead in front of the welder with its verdict; pressed before that is there, once it is. */
export function LogButton({ className = '' }: { className?: string }) {
  const { coupon } = useBenchRecords();
  const { log } = useBenchActions();
  const { saving, resting } = useSaving();
  const { problem } = useLive();
  const blocked = useDraftPart((draft) => Object.keys(draft.typed).length > 0);
  return (
    <Button
      tone="act"
      className={className}
      disabled={saving || resting || blocked || problem !== null}
      label={saving ? 'Saving…' : `Log bead ${coupon.nextNumber}`}
      onPress={log}
    />
  );
}

export function UndoButton() {
  const ink = useInk();
  const { undo } = useBenchActions();
  return <Button label="Undo" icon={<Undo size={20} color={ink} />} disabled={!useCanUndo()} onPress={undo} />;
}
