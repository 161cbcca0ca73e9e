export { RigsScreen as default } from '@/features/rig/RigsScreen';
