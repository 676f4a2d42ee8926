import { useState } from 'react';
import { Image, View } from 'react-native';
import { newId } from '@/api';
import { Button, Words } from '@/design';
import { useFile } from '@/forms/useFile';
import { dropDraftPhoto, keepDraftPhoto, shrinkPhoto, usePhotoUri } from '@/photos';

interface Props {
  readonly wanted: boolean;
  readonly photos: readonly string[];
  readonly onChange: (photos: string[]) => void;
}

const MOST = 6;

/** Photos of a finding: taken down to size here, kept on the device until the check-in is sent. */
export function PhotoRow({ wanted, photos, onChange }: Props) {
  const [wrong, setWrong] = useState<string | null>(null);
  const take = async (file: File) => {
    setWrong(null);
    const small = await shrinkPhoto(file);
    if (small === null) return setWrong(`“${file.name}” is not a photo that can be shown. Nothing else was changed.`);
    const id = newId();
    await keepDraftPhoto(id, small);
    onChange([...photos, id]);
  };
  const photo = useFile({ accept: 'image/*', label: 'Photo file', onFile: (file) => void take(file) });
  const remove = (id: string) => {
    void dropDraftPhoto(id);
    onChange(photos.filter((entry) => entry !== id));
  };
  return (
    <View className="gap-2">
      {photo.input}
      <View className="flex-row flex-wrap gap-2">
        {photos.map((id) => (
          <View key={id} className="gap-1">
            <LocalPhoto id={id} />
            <Button kind="quiet" label="Remove" onPress={() => remove(id)} />
          </View>
        ))}
      </View>
      {photos.length < MOST ? (
        <Button label={wanted ? 'Take a photo (needed)' : 'Take a photo'} onPress={photo.choose} />
      ) : null}
      {wrong ? (
        <Words tone="held" role="alert">
          {wrong}
        </Words>
      ) : null}
    </View>
  );
}

function LocalPhoto({ id }: { readonly id: string }) {
  const uri = usePhotoUri(id, false);
  return (
    <Image
      source={{ uri }}
      accessibilityLabel="Photo of the finding"
      className="h-[96px] w-[128px] border border-card-edge"
      resizeMode="cover"
    />
  );
}
