export { dropDraftPhoto } from '@/outbox';
export { usePhotoUri } from './usePhotoUri';
export { useTakePhoto } from './useTakePhoto';
