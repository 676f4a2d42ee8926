export { HiresScreen as default } from '@/features/desk';
