export { limitsDocument } from './document';
