import { useEffect, useState } from 'react';
import { photoHere } from '@/outbox';

/** A photo's address: of this device while it is here, of the server after; small where small will do. */
export function usePhotoUri(id: string, small: boolean): string {
  const [uri, setUri] = useState(`/api/photos/${id}${small ? '/thumb' : ''}`);
  useEffect(() => {
    let made: string | null = null;
    let left = false;
    void photoHere(id).then((photo) => {
      if (photo && !left) setUri((made = URL.createObjectURL(photo)));
    });
    return () => {
      left = true;
      if (made) URL.revokeObjectURL(made);
    };
  }, [id]);
  return uri;
}
