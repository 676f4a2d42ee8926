export { ShiftScreen as default } from '@/features/shift';
