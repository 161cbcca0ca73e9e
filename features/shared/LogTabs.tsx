import { useRouter } from 'expo-router';
import { Row } from '@/ui/Row';
import { Toggle } from '@/ui/Press';

const TABS = [
  { id: 'coupons', label: 'Coupons', to: '/log' },
  { id: 'proven', label: 'Kept settings', to: '/proven' },
  { id: 'welds', label: 'Welds', to: '/weld' },
] as const;

/** The three lists of the record: scrap plates, the settings they ended in, and the parts welded with them. */
export function LogTabs({ at }: { at: (typeof TABS)[number]['id'] }) {
  const router = useRouter();
  return (
    <Row role="tablist" aria-label="Lists of the record" className="flex-wrap gap-2">
      {TABS.map(({ id, label, to }) => (
        <Toggle key={id} role="tab" label={label} on={id === at} onPress={() => router.navigate(to)} />
      ))}
    </Row>
  );
}
