export { TorqueScreen as default } from '@/features/numbers';
