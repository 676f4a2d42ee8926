export { StatusNotice } from './StatusNotice';
