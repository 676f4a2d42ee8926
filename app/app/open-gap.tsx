export { OpenGapScreen as default } from '@/features/numbers';
