/**
 * The gap in open air that asks as much of a coil as the plug does under compression.
 * Breakdown depends on gas density × gap (Paschen 1889): open gap = plug gap × density in the cylinder ÷ density of the air, and density
 * goes as absolute pressure over absolute temperature.
 * In: plug gap (any length unit, the result is in the same), cylinder pressure gauge psi, ambient psi absolute, temperatures °C.
 * Out: the gap. Example: 0.030 in at 110 psi gauge, all at room temperature, is 0.255 in.
 */
export function openAirGap({
  plugGap,
  cylinderGaugePsi,
  ambientPsi = 14.696,
  cylinderC = 20,
  ambientC = 20,
}: {
  readonly plugGap: number;
  readonly cylinderGaugePsi: number;
  readonly ambientPsi?: number;
  readonly cylinderC?: number;
  readonly ambientC?: number;
}): number {
  return plugGap * ((cylinderGaugePsi + ambientPsi) / ambientPsi) * ((ambientC + 273.15) / (cylinderC + 273.15));
}
