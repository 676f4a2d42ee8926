export { SetUpNotice } from './SetUpNotice';
