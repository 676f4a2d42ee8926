/** Largest droop by performance class, per cent of rated (ISO 8528-5; from memory: look it up before it counts). */
const CLASSES = [
  { name: 'G3', most: 3 },
  { name: 'G2', most: 5 },
  { name: 'G1', most: 8 },
] as const;

/** Frequency droop in per cent of rated. In: hertz. Example: 62.4 without load, 60 with, rated 60: 4. */
export const droopOf = (noLoad: number, fullLoad: number, rated: number): number => ((noLoad - fullLoad) / rated) * 100;

/** The best class that a droop is within; null outside all, and for a set that rises with load. Example: 4 is G2. */
export const governorClassOf = (droopPercent: number): (typeof CLASSES)[number]['name'] | null =>
  droopPercent < 0 ? null : (CLASSES.find((entry) => droopPercent <= entry.most)?.name ?? null);
