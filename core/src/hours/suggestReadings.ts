export type Slip = 'swapped-digits' | 'missing-point' | 'dropped-digit' | 'doubled-digit' | 'wrong-digit';

export interface Suggestion {
  /** What was likely meant, hours. */
  readonly reading: number;
  readonly slip: Slip;
}

/** How often each slip is made, relative to each other (judgement: fingers swap and drop more than they invent). */
const SLIP_WEIGHT: Readonly<Record<Slip, number>> = {
  'swapped-digits': 1,
  'missing-point': 1,
  'dropped-digit': 0.5,
  'doubled-digit': 0.5,
  'wrong-digit': 0.08,
};

const DIGITS = ['0', '1', '2', '3', '4', '5', '6', '7', '8', '9'];

/**
 * Readings that one slip of the finger away would have made sense, best first, at most three.
 * In: the figures as typed, and how well any reading would fit (0 = makes no sense). Out: distinct readings.
 * Source: common practice of reading meters; weights are judgement.
 * Example: "1243" where 124.3 fits gives 124.3 by missing point first.
 */
export function suggestReadings(typed: string, fits: (reading: number) => number): Suggestion[] {
  const best = new Map<number, { suggestion: Suggestion; score: number }>();
  for (const [text, slip] of slips(typed)) {
    const reading = Number(text);
    const score = Number.isFinite(reading) ? fits(reading) * SLIP_WEIGHT[slip] : 0;
    if (score > 0 && score > (best.get(reading)?.score ?? 0))
      best.set(reading, { suggestion: { reading, slip }, score });
  }
  return [...best.values()]
    .sort((a, b) => b.score - a.score)
    .slice(0, 3)
    .map((entry) => entry.suggestion);
}

function* slips(typed: string): Generator<[string, Slip]> {
  if (!typed.includes('.') && typed.length > 1) yield [`${typed.slice(0, -1)}.${typed.slice(-1)}`, 'missing-point'];
  for (let at = 0; at < typed.length; at++) {
    const here = typed.charAt(at);
    const next = typed.charAt(at + 1);
    if (next !== '' && next !== here) yield [typed.slice(0, at) + next + here + typed.slice(at + 2), 'swapped-digits'];
    if (next === here && here !== '.') yield [typed.slice(0, at) + typed.slice(at + 1), 'doubled-digit'];
  }
  yield* digitSlips(typed);
}

function* digitSlips(typed: string): Generator<[string, Slip]> {
  const beforePoint = typed.split('.')[0]?.length ?? typed.length;
  for (let at = 0; at <= beforePoint; at++) {
    for (const digit of DIGITS) {
      yield [typed.slice(0, at) + digit + typed.slice(at), 'dropped-digit'];
      if (at < beforePoint) yield [typed.slice(0, at) + digit + typed.slice(at + 1), 'wrong-digit'];
    }
  }
}
