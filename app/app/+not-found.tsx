import { router } from 'expo-router';
import { Button, Empty, Page } from '@/design';

export default function NotFound() {
  return (
    <Page>
      <Empty sentence="There is no such page.">
        <Button label="To the shift" onPress={() => router.replace('/')} />
      </Empty>
    </Page>
  );
}
