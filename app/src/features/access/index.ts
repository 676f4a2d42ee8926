export { AccessNotice } from './AccessNotice';
