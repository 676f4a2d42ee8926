import type { CautionId } from '../shapes';

/** What can hurt where the hand is about to go. Each defers to those who know the machine or hold the licence. */
export const CAUTIONS: Readonly<Record<CautionId, string>> = {
  'fuel-vapour':
    'Fuel vapour sinks and lights. No flame, no spark, engine cool, tap shut. The maker’s manual and local fire code come first.',
  'carbon-monoxide': 'Exhaust kills indoors. Run it in the open, away from doors and windows.',
  'moving-parts':
    'Engine off, plug lead off, all parts at rest before a hand goes near tines, auger or belts. A cleared jam can still spring.',
  'hydraulic-injection':
    'Never feel for a leak by hand: fluid under pressure goes through skin. Use card, pressure off first. An injection is an emergency, whatever it looks like.',
  'high-pressure-water':
    'High-pressure water cuts. Gun pointed away, lock on, pressure off before any joint is opened.',
  'electric-shock':
    'Dead before touched: engine stopped, leads off. Sockets, earth and any tie-in to a building are for a licensed electrician under the local code.',
  'hot-parts': 'Muffler and head burn long after the engine stops.',
  battery: 'Negative off first, on last. A spanner from positive to frame is a dead short.',
  'do-not-start': 'Do not start or crank it: thinned oil does not hold, and liquid in the cylinder bends rods.',
};
