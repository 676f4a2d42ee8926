import { Image, View } from 'react-native';
import { Button, Words } from '@/design';
import { dropDraftPhoto, usePhotoUri, useTakePhoto } from '@/photos';

interface Props {
  readonly wanted: boolean;
  readonly photos: readonly string[];
  readonly onChange: (photos: string[]) => void;
}

const MOST = 6;

/** Photos of a finding: taken down to size here, kept on the device until the check-in is sent. */
export function PhotoRow({ wanted, photos, onChange }: Props) {
  const { take, input, wrong } = useTakePhoto((id) => onChange([...photos, id]), { fromCamera: false });
  const remove = (id: string) => {
    void dropDraftPhoto(id);
    onChange(photos.filter((entry) => entry !== id));
  };
  return (
    <View className="gap-2">
      {input}
      <View className="flex-row flex-wrap gap-2">
        {photos.map((id) => (
          <View key={id} className="gap-1">
            <LocalPhoto id={id} />
            <Button kind="quiet" label="Remove" onPress={() => remove(id)} />
          </View>
        ))}
      </View>
      {photos.length < MOST ? (
        <Button label={wanted ? 'Take a photo (needed)' : 'Take a photo'} onPress={take} />
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
