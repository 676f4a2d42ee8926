import { router } from 'expo-router';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { Button, Failure, Page, Words } from '@/design';

interface Props {
  /** Where the person is: another place begins anew. */
  readonly path: string;
  readonly children: React.ReactNode;
}

/** A screen that breaks says so, and leaves the frame and every other screen as they are. */
export const ScreenBoundary = ({ path, children }: Props) => (
  <ErrorBoundary resetKeys={[path]} fallbackRender={(props) => <Broken {...props} />}>
    {children}
  </ErrorBoundary>
);

function Broken({ error, resetErrorBoundary }: FallbackProps) {
  return (
    <Page>
      <Failure
        sentence="This screen cannot be shown."
        kept="What you entered is kept on this device. The other screens work."
      />
      <Words size={13} tone="ink-soft">
        {`For whoever looks after the program: ${error instanceof Error ? error.message : String(error)}`}
      </Words>
      <Button kind="main" tall label="Try it again" onPress={resetErrorBoundary} />
      <Button label="To the shift" onPress={() => router.replace('/')} />
    </Page>
  );
}
