import {
  folderOf,
  isClassId,
  LIVE_EFFECTS,
  type LiveEffect,
  type Rated,
  type RatingId,
  type SimulatedUnit,
} from '@hudrik/core/catalogue';
import { moved } from '@hudrik/core/ratings';
import express, { type Express } from 'express';
import seedrandom from 'seedrandom';
import type { BenchAsked } from '../cards/instruments';

/** All channels at one time, and the load it was at. */
export type LiveReading = Readonly<Record<string, number>> & { readonly rpm: number; readonly load: number };

const ENGINE_ALONE: SimulatedUnit = { rpm: 3600, channels: {} };
/** A sound governor lets it fall by so much to full load. */
const DROOP_RPM = 150;
const JITTER_RPM = 14;

/** One reading of a unit under a load (0 to 1), with these families of faults in it. The wave and the jitter come in. */
export function readingOf(
  { classId, families, rated: own = {}, load }: BenchAsked,
  wave: number,
  jitter: () => number,
): LiveReading {
  const { channels, rpm: usual, rpmRating } = isClassId(classId) ? folderOf(classId).simulation : ENGINE_ALONE;
  const usualRated: Rated = isClassId(classId) ? folderOf(classId).rated : {};
  const scale = (rating: RatingId | undefined): number => moved(rating, usualRated, own);
  const isHeld = (rating: RatingId | undefined): boolean =>
    own.governor === 'inverter' && (rating === 'hertz' || rating === 'volts');
  const rated = usual * scale(rpmRating);
  const effects = families.flatMap((family) => LIVE_EFFECTS[family] ?? []);
  const sum = (name: keyof LiveEffect): number => effects.reduce((total, effect) => total + (effect[name] ?? 0), 0);
  if (effects.some((effect) => effect.diesAt !== undefined && load > effect.diesAt))
    return { ...Object.fromEntries(Object.keys(channels).map((name) => [name, 0])), rpm: 0, load };
  const rpm = Math.max(
    0,
    rated +
      sum('rpm') -
      load * (DROOP_RPM + sum('droop')) +
      sum('hunts') * Math.sin(wave) +
      (jitter() - 0.5) * JITTER_RPM,
  );
  const shown = Object.entries(channels).map(([name, { none, full, power, by, digits, rating }]) => {
    // An inverter makes its hertz and volts by itself, whatever the engine turns.
    const sound = isHeld(rating) && rating ? (own[rating] ?? none) : (none + (full - none) * load) * scale(rating);
    const value = sound * (1 + (by ? sum(by) : 0)) * (isHeld(rating) ? 1 : (rpm / rated) ** power);
    return [name, Number(Math.max(value, 0).toFixed(digits))];
  });
  return { ...Object.fromEntries(shown), rpm: Math.round(rpm), load };
}

const EVERY_MS = 500;

const word = (value: unknown): string => (typeof value === 'string' ? value : '');

function askedIn(query: Readonly<Record<string, unknown>>): BenchAsked {
  const load = Number(word(query['load']) || 0);
  return {
    classId: word(query['class']),
    families: word(query['families']).split(',').filter(Boolean),
    rated: JSON.parse(word(query['rated']) || '{}'),
    load: Math.min(Math.max(load, 0), 1),
  };
}

/** The simulated load bank and clip-on tachometer: readings over server-sent events, twice a second. Asked: class, families of faults, rated figures, load. */
export function loadBankStandIn(everyMs = EVERY_MS): Express {
  const app = express();
  app.get('/stream', (request, response) => {
    const asked = askedIn(request.query);
    response.set({
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-cache, no-transform',
      Connection: 'keep-alive',
    });
    response.flushHeaders();
    const jitter = seedrandom(JSON.stringify(asked));
    let tick = 0;
    const send = (): void => void response.write(`data: ${JSON.stringify(readingOf(asked, tick++ * 0.9, jitter))}\n\n`);
    send();
    const timer = setInterval(send, everyMs);
    request.on('close', () => clearInterval(timer));
  });
  return app;
}
