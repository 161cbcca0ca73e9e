import { useMemo } from 'react';
import { Button } from '@/ui/Press';
import { useKeys } from '@/ui/use-keys';

/** On to the next question, by a tap or the Enter key. */
export function Next({ onNext, label = 'Next' }: { onNext: () => void; label?: string }) {
  useKeys(useMemo(() => ({ Enter: onNext }), [onNext]));
  return <Button tone="act" label={label} onPress={onNext} />;
}
