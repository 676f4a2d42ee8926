import type { Quote } from '@hudrik/core/contracts';
import { Words } from '@/design';
import { sayMoney, sayTime } from '@/writing';

/** What a supplier's refusal or silence means. */
export const sayOrderProblem = (problem: string): string => {
  if (problem.startsWith('refused: ')) return `The supplier refused: ${problem.slice('refused: '.length)}.`;
  if (problem === 'slow') return 'The supplier did not answer in time.';
  return problem === 'nonsense' ? 'The supplier’s answer could not be understood.' : 'The supplier cannot be reached.';
};

function sayQuote(quote: Quote): string {
  if (quote.problem === 'not-known') return 'The supplier does not know that number.';
  if (quote.problem) return sayOrderProblem(quote.problem);
  if (!quote.obtainable) return 'No longer available. Repair it, fit an exchange part, or retire the unit.';
  return `${quote.name}: ${sayMoney(quote.cents ?? 0)}, delivered in ${quote.leadDays} days.`;
}

/** The supplier's word on a part, and when it was given. */
export function QuoteWords({ quote }: { readonly quote: Quote }) {
  const renamed = quote.through.length > 0 ? `${quote.asked} is now ${quote.number}. ` : '';
  return (
    <>
      <Words role="status" face="strong" tone={quote.obtainable ? 'ink' : 'held'}>
        {renamed + sayQuote(quote)}
      </Words>
      {quote.answeredAt ? (
        <Words size={13} tone="ink-soft">{`The supplier’s answer of ${sayTime(quote.answeredAt)}.`}</Words>
      ) : null}
    </>
  );
}
