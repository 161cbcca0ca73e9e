export { RigScreen as default } from '@/features/rig/RigScreen';
