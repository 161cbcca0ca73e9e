import { useRouter } from 'expo-router';
import { Row } from '@/ui/Row';
import { Toggle } from '@/ui/Press';

const TABS = [
  { id: 'coupons', label: 'Coupons', to: '/log' },
  { id: 'days', label: 'Day by day', to: '/log/days' },
  { id: 'proven', label: 'Kept settings', to: '/proven' },
  { id: 'welds', label: 'Welds', to: '/weld' },
  { id: 'charts', label: 'Charts', to: '/log/charts' },
  { id: 'files', label: 'Files', to: '/log/files' },
] as const;

/** The ways to look at the record: scrap plates, everything by the day, settings, parts that were welded, and the sum of it. */
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
