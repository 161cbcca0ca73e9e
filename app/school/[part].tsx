import { Redirect, useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';
import { isSchoolPart } from '@/features/school/school-parts';

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

/** Fetched when this place is first visited. */
const SchoolPlace = lazy(() =>
  import('@/features/school/SchoolPlace').then((place) => ({ default: place.SchoolPlace })),
);

/** One drill of the School, or what was learned in it. */
export default function PartOfSchool() {
  const { part } = useLocalSearchParams<{ part: string }>();
  return isSchoolPart(part) ? <SchoolPlace part={part} /> : <Redirect href="/school" />;
}
