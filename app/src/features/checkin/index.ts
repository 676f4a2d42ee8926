export { CheckInScreen } from './CheckInScreen';
export { FindTagScreen } from './FindTagScreen';
export { restoreDraft } from './useDraft';
