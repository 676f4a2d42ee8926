export { AddUnitScreen as default } from '@/features/desk';
