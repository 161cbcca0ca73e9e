export { CouponScreen as default } from '@/features/log/CouponScreen';
