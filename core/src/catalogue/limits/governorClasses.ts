import { published, type Source } from '../shapes';

const DOCUMENT = 'ISO 8528-5:2018';

/** Largest departures of a generating set by performance class, per cent of rated. Best first. */
export interface GovernorClass {
  readonly name: 'G1' | 'G2' | 'G3';
  /** From no load to full. */
  readonly droop: number;
  /** Full width of the hertz at one load that is held. */
  readonly band: number;
  /** To either side of the rated volts. */
  readonly voltage: number;
}

export const GOVERNOR_CLASSES: readonly GovernorClass[] = [
  { name: 'G3', droop: 3, band: 0.5, voltage: 1 },
  { name: 'G2', droop: 5, band: 1.5, voltage: 2.5 },
  { name: 'G1', droop: 8, band: 2.5, voltage: 5 },
];

export const GOVERNOR_CLASSES_SOURCE: Source = published(
  DOCUMENT,
  'operating limit values: frequency droop, steady-state frequency band, steady-state voltage deviation (values from memory)',
);
