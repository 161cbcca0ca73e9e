export { JobScreen as default } from '@/features/job/JobScreen';
