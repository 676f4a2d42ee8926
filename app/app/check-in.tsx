export { FindTagScreen as default } from '@/features/checkin';
