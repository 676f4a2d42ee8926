import { WAYS } from '@hudrik/core/catalogue';
import type { WaysReply } from '@hudrik/core/contracts';
import { roundMoney } from '@hudrik/core/money';
import { sayMoney } from '@/writing';

type Way = WaysReply['ways'][number];

/** What a way is called: a repair by its own title. */
export const titleOf = ({ way, title }: Pick<Way, 'way' | 'title'>): string =>
  way === 'retire' || way === 'swap-engine' ? WAYS[way] : title;

/** Money no finer than it is known. */
export const sayRounded = (cents: number): string => sayMoney(roundMoney(cents)).replace(/[.,]00(?=\D*$)/, '');
