import { useStorageNotice, type StorageNotice } from '@/platform/stored';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';

const NOTICES: Record<StorageNotice, string> = {
  full: 'This device has no room left: what you tap is kept only while this page is open. Log the bead, or clear some space.',
  unreadable:
    'Something this device kept could not be read. It was set aside, and the usual stands in its place. Beads that were logged are not touched.',
};

/** Says at once when the device cannot keep what is tapped, or could not read what it kept. */
export function StorageNote() {
  const [notice, dismiss] = useStorageNotice();
  if (notice === null) return null;
  return (
    <Row role="status" className="items-center gap-3 border-b-2 border-ink bg-plate px-4 py-2">
      <Words className="min-w-0 flex-1">{NOTICES[notice]}</Words>
      <Button label="Understood" onPress={dismiss} />
    </Row>
  );
}
