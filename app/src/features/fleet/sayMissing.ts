import { checksOf, CLASSES, PROOF_LOOKS, PROOFS } from '@hudrik/core/catalogue';

const READINGS = new Map(PROOFS.flatMap((plan) => plan.readings.map((reading) => [reading.id, reading.name] as const)));
const LOOKS = new Map<string, string>([
  ...[...PROOF_LOOKS.everyRun, PROOF_LOOKS.level, PROOF_LOOKS.tries, ...PROOFS.flatMap((plan) => plan.looks)].map(
    (look) => [look.id, look.name] as const,
  ),
  ...CLASSES.flatMap(checksOf).map((check) => [`safety-${check.id}`, check.words] as const),
]);

/** What a proof wants, by its code, in words. */
export function sayMissing(code: string): string {
  if (code === 'leak-look') return 'leak look';
  if (code === 'load') return 'a load that counts';
  if (code === 'smoke') return 'smoke clear';
  if (code === 'minutes') return 'minutes under load';
  if (code.startsWith('reading-')) return (READINGS.get(code.slice(8)) ?? code).toLowerCase();
  return (LOOKS.get(code.slice(5)) ?? code).toLowerCase();
}
