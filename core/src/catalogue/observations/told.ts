import type { Observation } from '../shapes';

/** Told by the hirer, or seen and felt by trying it. Hirers are now and then wrong: the healthy shares say so. */
export const TOLD = {
  starting: {
    words: 'How it starts', kind: 'told', minutes: 2, caution: 'carbon-monoxide', how: 'Fuel on, switch on, choke as the engine wants it. Three or four brisk pulls, or five seconds of starter.',
    outcomes: { starts: ['Starts', 0.89, 'Nothing against it yet.'], hard: ['Hard to start', 0.05, 'Weak in fuel, spark or compression, not without them.'], 'fires-then-dies': ['Fires, then dies', 0.02, 'Spark and timing are there: look to the fuel.'], 'will-not-fire': ['Will not fire', 0.03, 'One of the five is missing.'], 'will-not-turn': ['Will not turn over', 0.01, 'Something holds it, or nothing drives it.'] },
  },
  choke: {
    words: 'Off the choke', kind: 'told', minutes: 2, wants: 'running', caution: 'carbon-monoxide', how: 'Warm it for a minute and open the choke step by step.',
    outcomes: { 'runs-off-choke': ['Runs off the choke', 0.93, 'The mixture is right.'], 'needs-choke': ['Only runs on choke', 0.04, 'Lean, or low compression.'], 'choke-makes-no-difference': ['Choke changes nothing', 0.03, 'No fuel comes, or the plate does not close.'] },
  },
  'runs-for': {
    words: 'How long it runs', kind: 'told', minutes: 20, wants: 'running', caution: 'carbon-monoxide', how: 'Run it under load and note the minute at which it goes.',
    outcomes: { 'keeps-running': ['Keeps running', 0.94, 'It is fed, and nothing fails hot.'], 'under-2-min': ['Dies within 2 min', 0.02, 'The bowl empties faster than it fills.'], '2-to-10-min': ['Dies after 2 to 10 min', 0.02, 'Starved little by little.'], '10-to-30-min': ['Dies after 10 min or more', 0.02, 'Screen, vent, or a coil that fails hot.'] },
  },
  idle: {
    words: 'How it idles', kind: 'told', minutes: 3, wants: 'running', caution: 'carbon-monoxide', how: 'Warm, choke open, no load: listen for half a minute.',
    outcomes: { steady: ['Steady', 0.89, 'Pilot, air and governor agree.'], hunts: ['Revs rise and fall', 0.03, 'Lean: a jet half shut, an air leak, a governor spring.'], 'too-fast': ['Too fast', 0.02, 'Stop screw, spring, or air past the throttle.'], 'will-not-idle': ['Will not idle', 0.02, 'Pilot, or the stop screw.'], rough: ['Rough', 0.04, 'Spark, mixture or a valve.'] },
  },
  throttle: {
    words: 'On opening the throttle', kind: 'told', minutes: 2, wants: 'running', caution: 'carbon-monoxide', how: 'Open it quickly from idle.',
    outcomes: { clean: ['Picks up clean', 0.93, 'Well.'], hesitates: ['Hesitates', 0.05, 'Lean as it opens.'], 'pops-back': ['Pops back', 0.02, 'Lean, timing, or an intake valve.'] },
  },
  'under-load': {
    words: 'Under load', kind: 'told', minutes: 6, wants: 'running', caution: 'carbon-monoxide', how: 'Give it the work that it is hired for, a few minutes.',
    outcomes: { pulls: ['Pulls', 0.92, 'Fuel, air and compression keep up.'], bogs: ['Bogs down', 0.05, 'Starved, choked or worn, or the machine drags.'], dies: ['Dies', 0.03, 'Starved, or held by the machine.'] },
  },
  smoke: {
    words: 'Smoke', kind: 'told', minutes: 2, wants: 'running', caution: 'carbon-monoxide', how: 'Look at the muffler warm, at idle and on opening up.',
    innocent: [{ while: 'cylinderOiled', outcome: 'white', share: 0.3 }, { while: 'cylinderOiled', outcome: 'blue', share: 0.35 }, { while: 'additiveInFuel', outcome: 'white', share: 0.4 }],
    outcomes: { none: ['None', 0.9, 'It burns clean.'], black: ['Black', 0.04, 'Rich: choke, filter, a flooding bowl.'], blue: ['Blue', 0.03, 'Oil: over-full, rings, a mix.'], white: ['White', 0.03, 'Unburnt fuel, oil on a hot muffler, or water.'] },
  },
  'kick-back': { words: 'Kicks back', kind: 'told', minutes: 1, how: 'Ask, or pull it gently over compression.', outcomes: { no: ['No', 0.985, 'Timing is not far off.'], yes: ['Yes', 0.015, 'The spark comes early: key, magnet, rust.'] } },
  'fuel-leak': {
    words: 'Fuel dripping', kind: 'told', minutes: 2, caution: 'fuel-vapour', how: 'Tap on, engine off: wipe dry, wait two minutes, feel under the carburettor and along the hose.',
    outcomes: { none: ['None', 0.97, 'Dry.'], carburettor: ['At the carburettor', 0.015, 'Needle, float, bowl seal.'], 'hose-or-tank': ['At a hose or the tank', 0.015, 'Hose, outlet or clamp.'] },
  },
  primer: {
    words: 'Primer bulb', kind: 'told', minutes: 1, how: 'Press it three times and look for fuel.',
    outcomes: { 'pushes-fuel': ['Pushes fuel', 0.95, 'Bulb and supply are there.'], 'no-fuel': ['No fuel comes', 0.04, 'Dry bowl, or a bulb that draws air.'], 'pulled-off-or-cracked': ['Pulled off or cracked', 0.01, 'It draws air.'] },
  },
  'load-off': {
    words: 'With the machine’s load off', kind: 'tool', minutes: 10, wants: 'running', caution: 'moving-parts', how: 'Belt off, gun open, leads out, lever free: run the engine by itself.',
    outcomes: { 'same-fault': ['The same fault', 0.97, 'The engine itself.'], 'clears-up': ['It clears up', 0.03, 'The machine drags, or the engine only fails when it works.'] },
  },
  'recoil-feel': {
    words: 'How the rope feels', kind: 'told', minutes: 1, how: 'Switch off. Pull slowly through two compressions.',
    outcomes: { 'firm-and-even': ['Firm and even', 0.93, 'Compression is there.'], 'no-resistance': ['No resistance', 0.005, 'A valve is open or a piston holed.'], locked: ['Locked', 0.004, 'Seized, jammed, or liquid in it.'], 'stops-part-way': ['Free, then stops dead', 0.004, 'Something under the flywheel.'], 'springy-stop': ['Springy stop', 0.002, 'Liquid in the cylinder: no more pulling.'], drags: ['Drags', 0.02, 'Rust, thick oil, or the machine.'] },
  },
  starter: {
    words: 'Electric starter', kind: 'told', minutes: 1, when: { start: ['electric', 'both'] }, how: 'Turn the key and listen.',
    outcomes: { 'turns-briskly': ['Turns briskly', 0.96, 'Battery and starter are well.'], slow: ['Slow', 0.025, 'Battery, terminals, earth.'], dead: ['Dead', 0.015, 'No current, or a dead starter.'] },
  },
  intermittent: { words: 'Always, or now and then', kind: 'told', minutes: 1, how: 'Ask when it comes.', outcomes: { 'always-same': ['Always the same', 0.85, 'A standing fault.'], 'comes-and-goes': ['Comes and goes', 0.15, 'Dirt that moves, heat, a loose contact. Prove it longer.'] } },
  'last-repair': {
    words: 'What was last repaired', kind: 'told', minutes: 1, how: 'Ask who was in it, and where.',
    outcomes: { 'none-known': ['Nothing known', 0.8, 'Nobody’s hand to suspect.'], carburettor: ['The carburettor', 0.09, 'Cleaned is not proven: passages, gaskets, links.'], ignition: ['The ignition', 0.04, 'Air gap, kill wire, plug.'], engine: ['The engine', 0.03, 'Valves, gasket, key.'], 'unknown-hand': ['A stranger was in it', 0.04, 'Somebody’s earlier repair is a suspect.'] },
  },
} as const satisfies Readonly<Record<string, Observation>>;
