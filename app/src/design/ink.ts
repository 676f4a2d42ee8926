import { useColorScheme } from 'nativewind';
import { DARK, LIGHT } from './tokens';

/** Colours for drawings, where a class cannot reach. */
export function useInk(): (name: string) => string {
  const { colorScheme } = useColorScheme();
  const palette = colorScheme === 'dark' ? DARK : LIGHT;
  return (name) => `rgb(${(palette[name] ?? palette['ink'] ?? '0 0 0').replaceAll(' ', ', ')})`;
}
