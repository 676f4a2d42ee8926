export { dropDraftPhoto, keepDraftPhoto } from '@/outbox';
export { shrinkPhoto } from './shrinkPhoto';
export { usePhotoUri } from './usePhotoUri';
export { useTakePhoto } from './useTakePhoto';
