import { ActivityIndicator, ScrollView, View } from 'react-native';
import { useInk } from './ink';
import { Button } from './Button';
import { Heading, Words } from './Words';

/** Manila card: for what belongs to one unit. */
export function Card({
  children,
  className = '',
}: {
  readonly children: React.ReactNode;
  readonly className?: string;
}) {
  return <View className={`border border-card-edge bg-card p-4 ${className}`}>{children}</View>;
}

/** A section on the tray, under a ruled heading. */
export function Section({
  title,
  count,
  place,
  children,
  className = '',
}: {
  readonly title: string;
  readonly count?: number;
  /** What a jump strip calls it by. */
  readonly place?: string;
  readonly children: React.ReactNode;
  readonly className?: string;
}) {
  return (
    <View className={`gap-2 ${className}`} {...(place === undefined ? {} : { id: place })}>
      <View className="flex-row items-baseline gap-2 border-b-2 border-ink pb-1">
        <Heading className="flex-1">{title}</Heading>
        {count === undefined ? null : (
          <Words face="figures" size={17}>
            {count}
          </Words>
        )}
      </View>
      {children}
    </View>
  );
}

/** The scrolling middle of a screen. */
export function Page({ children, wide = false }: { readonly children: React.ReactNode; readonly wide?: boolean }) {
  return (
    <ScrollView
      className="flex-1"
      contentContainerClassName={`gap-5 p-4 pb-10 ${wide ? '' : 'w-full max-w-[760px] self-center'}`}
    >
      {children}
    </ScrollView>
  );
}

export function Loading({ what }: { readonly what: string }) {
  const ink = useInk();
  return (
    <View className="flex-1 flex-row items-center justify-center gap-3 p-8" role="status">
      <ActivityIndicator aria-label={`Fetching ${what}`} color={ink('ink')} />
      <Words>Fetching {what}…</Words>
    </View>
  );
}

export function Empty({ sentence, children }: { readonly sentence: string; readonly children?: React.ReactNode }) {
  return (
    <View className="items-start gap-3 border border-dashed border-line p-4">
      {/* With a way on it stands for the whole, and is its heading. */}
      <Words tone="ink-soft" className="max-w-full" {...(children ? { role: 'heading', 'aria-level': 2 } : {})}>
        {sentence}
      </Words>
      {children}
    </View>
  );
}

interface FailureProps {
  readonly sentence: string;
  readonly kept?: string;
  readonly retry?: () => void;
  readonly children?: React.ReactNode;
}

/** What happened, what was kept, what to do. */
export function Failure({ sentence, kept, retry, children }: FailureProps) {
  return (
    <View className="gap-3 border-l-[6px] border-held bg-paper p-4" role="alert">
      {/* It stands for what is not there, and so for its heading. */}
      <Words face="strong" role="heading" aria-level={2}>
        {sentence}
      </Words>
      {kept ? <Words>{kept}</Words> : null}
      {children}
      {retry ? <Button label="Try again" onPress={retry} className="self-start" /> : null}
    </View>
  );
}

/** What can hurt, where the hand is about to go. */
export function Caution({ text }: { readonly text: string }) {
  return (
    <View className="flex-row gap-3 border-2 border-prep bg-paper p-3" role="note">
      <Words face="strong" size={22} tone="prep" aria-hidden>
        !
      </Words>
      <Words size={15} className="flex-1">
        {text}
      </Words>
    </View>
  );
}
