export { ExchangeScreen as default } from '@/features/desk';
