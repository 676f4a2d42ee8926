import { Text, type TextProps } from 'react-native';

type Size = 13 | 15 | 17 | 22 | 32 | 56;
type Face = 'text' | 'strong' | 'figures' | 'stencil';
export type Tone = 'ink' | 'ink-soft' | 'on-mark' | 'fit' | 'prep' | 'held' | 'out' | 'laid-up' | 'gone';

const SIZE: Readonly<Record<Size, string>> = {
  13: 'text-13',
  15: 'text-15',
  17: 'text-17',
  22: 'text-22',
  32: 'text-32',
  56: 'text-56',
};
const FACE: Readonly<Record<Face, string>> = {
  text: 'font-text',
  strong: 'font-strong',
  figures: 'font-figures tabular',
  stencil: 'font-stencil',
};
const TONE: Readonly<Record<Tone, string>> = {
  ink: 'text-ink',
  'ink-soft': 'text-ink-soft',
  'on-mark': 'text-on-mark',
  fit: 'text-fit',
  prep: 'text-prep',
  held: 'text-held',
  out: 'text-out',
  'laid-up': 'text-laid-up',
  gone: 'text-gone',
};

interface Props extends TextProps {
  readonly size?: Size;
  readonly face?: Face;
  readonly tone?: Tone;
}

/** All text: one of six sizes, four faces, one tone. */
export function Words({ size = 17, face = 'text', tone = 'ink', className = '', ...rest }: Props) {
  return <Text className={`${SIZE[size]} ${FACE[face]} ${TONE[tone]} ${className}`} {...rest} />;
}

/** A heading for screen readers and eyes alike. */
export function Heading({ level = 2, ...rest }: Props & { readonly level?: 1 | 2 | 3 }) {
  return <Words role="heading" aria-level={level} face="strong" size={level === 1 ? 22 : 17} {...rest} />;
}
