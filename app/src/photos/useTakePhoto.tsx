import { useState } from 'react';
import { newId } from '@/api';
import { useFile } from '@/forms/useFile';
import { keepDraftPhoto } from '@/outbox';
import { shrinkPhoto } from './shrinkPhoto';

/** A photo from the camera or a file: taken down to size and kept on the device before anything else. */
export function useTakePhoto(
  onTaken: (photoId: string) => void,
  { fromCamera } = { fromCamera: true },
): {
  readonly take: () => void;
  readonly input: React.ReactNode;
  readonly wrong: string | null;
} {
  const [wrong, setWrong] = useState<string | null>(null);
  const chosen = async (picked: File) => {
    const small = await shrinkPhoto(picked);
    if (small === null) return setWrong(`“${picked.name}” is not a photo that can be shown. Nothing else was changed.`);
    setWrong(null);
    const id = newId();
    await keepDraftPhoto(id, small);
    onTaken(id);
  };
  const { choose, input } = useFile({
    ...{ accept: 'image/*', label: 'Photo file', fromCamera },
    onFile: (picked) => void chosen(picked),
  });
  return { take: choose, input, wrong };
}
