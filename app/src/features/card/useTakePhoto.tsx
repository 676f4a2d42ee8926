import { useRef, useState } from 'react';
import { newId } from '@/api';
import { keepDraftPhoto, shrinkPhoto } from '@/photos';

/** A photo from the camera or a file: taken down to size and kept on the device before anything else. */
export function useTakePhoto(onTaken: (photoId: string) => void): {
  readonly take: () => void;
  readonly input: React.ReactNode;
  readonly wrong: string | null;
} {
  const file = useRef<HTMLInputElement>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const chosen = async (picked: File | undefined) => {
    if (!picked) return;
    const small = await shrinkPhoto(picked);
    if (small === null) return setWrong(`“${picked.name}” is not a photo that can be shown. Nothing else was changed.`);
    setWrong(null);
    const id = newId();
    await keepDraftPhoto(id, small);
    onTaken(id);
  };
  const input = (
    <input
      ref={file}
      type="file"
      accept="image/*"
      capture="environment"
      aria-label="Photo file"
      style={{ display: 'none' }}
      onChange={(event) => {
        void chosen(event.target.files?.[0]);
        event.target.value = '';
      }}
    />
  );
  return { take: () => file.current?.click(), input, wrong };
}
