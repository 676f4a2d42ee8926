import { View } from 'react-native';
import QRCode from 'react-native-qrcode-svg';
import { useRead } from '@/api';
import { Button, Loading, Page, Words } from '@/design';
import { Silhouette } from '@/features/fleet';

/** A label to print: the tag and a code that opens the unit. */
export function LabelScreen({ tag }: { readonly tag: string }) {
  const page = useRead('unit', { params: { tag } });
  if (!page.data) return <Loading what="the label" />;
  const address = typeof window === 'undefined' ? `/u/${tag}` : `${window.location.origin}/u/${tag}`;
  return (
    <Page>
      <View className="flex-row items-center gap-6 self-start border-2 border-black bg-white p-6">
        <QRCode value={address} size={150} />
        <View className="gap-1">
          <Words face="stencil" size={56} style={{ color: '#000' }} role="heading" aria-level={1}>
            {tag}
          </Words>
          <Words style={{ color: '#000' }}>
            {page.data.unit.model.make} {page.data.unit.model.name}
          </Words>
          <Words size={13} style={{ color: '#000' }}>
            {page.data.unit.serial}
          </Words>
        </View>
      </View>
      <View className="no-print flex-row items-center gap-3">
        <Silhouette classId={page.data.unit.classId} />
        <Button kind="main" label="Print" onPress={() => window.print()} />
      </View>
    </Page>
  );
}
