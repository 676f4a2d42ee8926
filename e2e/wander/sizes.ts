export const SIZES = { phone: { width: 390, height: 844 }, wide: { width: 1280, height: 800 } } as const;
export type Size = keyof typeof SIZES;
