export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

export { BenchScreen as default } from '@/features/bench/BenchScreen';
