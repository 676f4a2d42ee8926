type Palette = Readonly<Record<string, string>>;
export const LIGHT: Palette;
export const DARK: Palette;
