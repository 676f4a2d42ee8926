export { NumbersScreen as default } from '@/features/numbers';
