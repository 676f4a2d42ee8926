import type { Size } from './sizes';
import type { Walked } from './wanderer';

/** What a walk came to, and how to walk it again. */
export function sayWalk({ found, steps, places, small, rules, papers }: Walked, seed: string, size: Size): string {
  return [
    `${steps} steps, ${places.size} places, ${papers} papers (seed ${seed}, ${size}).`,
    `Too small for a glove: ${small.size}. Rules of axe broken: ${rules.size}.`,
    ...[...small, ...rules].map((one) => `  ${one}`),
    ...found.flatMap(({ path, what, steps: last }) => [
      `FOUND at ${path}: ${what}`,
      ...last.map((step) => `  ${step}`),
    ]),
    ...(found.length > 0 ? [`Again: npm run wander -- --seed ${seed} --size ${size}`] : []),
  ].join('\n');
}
