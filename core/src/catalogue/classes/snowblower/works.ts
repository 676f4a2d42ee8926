import { JUDGEMENT, worksOf } from '../../shapes';

/** What is done about what is found on this class, beside what every engine may want. */
export const WORK = worksOf(JUDGEMENT, {
  guard: ['repair', 'Guard', 30],
  'new-shear-bolt-right-grade': ['prep', 'New shear bolt of the right grade', 15],
  'right-shear-bolts-look-at': ['repair', 'Right shear bolts; look at the gearbox', 25],
  'scraper-skids': ['prep', 'Scraper and skids', 25],
  'free-grease-chute': ['prep', 'Free and grease the chute', 15],
  'dead-man-cable-auger-brake': ['repair', 'Dead-man cable and auger brake', 40],
  'friction-disc': ['prep', 'Friction disc', 45],
  'new-belt': ['prep', 'New belt', 40],
  'tyre-chain-pin': ['prep', 'Tyre, chain or pin', 15],
});
