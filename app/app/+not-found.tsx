import { router } from 'expo-router';
import { Button, Empty, Page } from '@/design';

export default function NotFound() {
  return (
    <Page>
      <Empty says="There is no such page.">
        <Button label="To the shift" onPress={() => router.replace('/')} />
      </Empty>
    </Page>
  );
}
