export { LearnedScreen as default } from '@/features/find';
