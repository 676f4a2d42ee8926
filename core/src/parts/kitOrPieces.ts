export interface KitChoice {
  readonly buy: 'kit' | 'pieces';
  readonly kitCents: number;
  readonly piecesCents: number;
}

/**
 * A kit, or only the pieces that are needed.
 * In: the kit's price and the pieces needed with count and price, cents. Out: the cheaper; the kit where they cost the same. Example: a kit
 * at 19.00 against two pieces at 4.00 and 6.00: pieces.
 */
export function kitOrPieces(
  kitCents: number,
  needed: readonly { readonly count: number; readonly cents: number }[],
): KitChoice {
  const piecesCents = needed.reduce((sum, piece) => sum + piece.count * piece.cents, 0);
  return { buy: kitCents <= piecesCents ? 'kit' : 'pieces', kitCents, piecesCents };
}
