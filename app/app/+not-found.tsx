import { router } from 'expo-router';
import { Button, Heading, Page, Words } from '@/design';

export default function NotFound() {
  return (
    <Page>
      <Heading level={1}>There is no such page.</Heading>
      <Words>Everything that you entered is kept.</Words>
      <Button kind="main" label="To the shift" onPress={() => router.replace('/')} />
    </Page>
  );
}
