import { JUDGEMENT, type Threshold } from '../catalogue/shapes';

/** Why a PIN or password is too easy to guess. */
export type PinWeakness = 'short' | 'few-figures' | 'run' | 'repeats' | 'known' | 'name';

export const PIN_LENGTH: Threshold = {
  name: 'A new PIN has so many figures, a password as many letters',
  value: 6,
  unit: 'figures',
  source: JUDGEMENT,
};

/** Patterns of the keypad and of habit that no rule below finds. From memory. */
const KNOWN: ReadonlySet<string> = new Set([
  '159753',
  '147258',
  '258369',
  '147896',
  '102030',
  '123654',
  '159357',
  '314159',
]);

const stepsOf = (figures: readonly number[]): number[] =>
  figures.slice(1).map((figure, at) => (figure - (figures[at] ?? 0) + 10) % 10);

/**
 * What is wrong with a new PIN or password; null: nothing. Repetition, runs, and one's own name are refused (after NIST SP 800-63B, 5.1.1.2).
 * Example: 123456 is a run.
 */
export function weaknessOfPin(pin: string, name = ''): PinWeakness | null {
  const plain = pin.trim().toLowerCase();
  if (plain.length < PIN_LENGTH.value) return 'short';
  if (new Set(plain).size < 3) return 'few-figures';
  if (isRepeated(plain)) return 'repeats';
  if (/^\d+$/.test(plain)) {
    const figures = [...plain].map(Number);
    if (new Set(stepsOf(figures)).size === 1) return 'run';
    const [half, rest] = [plain.slice(0, plain.length / 2), plain.slice(Math.ceil(plain.length / 2))];
    const isRun = new Set(stepsOf([...half].map(Number))).size === 1;
    if (isRun && (rest === half || rest === [...half].reverse().join(''))) return 'run';
    if (KNOWN.has(plain)) return 'known';
  }
  const words = name
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word.length > 2);
  return words.some((word) => plain.includes(word)) ? 'name' : null;
}

/** A piece again and again, or each figure twice: 123123, 112233. */
const isRepeated = (plain: string): boolean => {
  const figures = [...plain];
  const repeatsAfter = (length: number): boolean =>
    figures.length % length === 0 && figures.every((figure, at) => figure === figures[at % length]);
  const isPaired = figures.length % 2 === 0 && figures.every((figure, at) => figure === figures[at - (at % 2)]);
  return isPaired || figures.some((_, at) => at > 0 && at <= figures.length / 2 && repeatsAfter(at));
};

const TOO_EASY: Readonly<Record<PinWeakness, string>> = {
  short: 'At least six figures.',
  'few-figures': 'At least three different figures.',
  run: 'No run of figures, as 123456.',
  repeats: 'No figures again and again, as 121212 or 112233.',
  known: 'That one is guessed first.',
  name: 'Not your name.',
};

export const sayWeakness = (weakness: PinWeakness): string => TOO_EASY[weakness];
