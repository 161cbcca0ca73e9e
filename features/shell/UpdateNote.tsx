import { useState } from 'react';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { useAppUpdate } from './use-app-update';

/** Offers a new version; nothing changes under anyone's hands until it is taken. */
export function UpdateNote() {
  const take = useAppUpdate();
  const [later, setLater] = useState(false);
  if (take === null || later) return null;
  return (
    <Row role="status" className="flex-wrap items-center gap-2 border-b-2 border-ink bg-plate px-4 py-2">
      <Words className="min-w-64 flex-1">A new version of this program is ready. What you tapped is kept.</Words>
      <Row className="gap-2">
        <Button label="Take it" onPress={take} />
        <Button label="Later" onPress={() => setLater(true)} />
      </Row>
    </Row>
  );
}
