import { folderOf, isClassId, LIVE_EFFECTS, type LiveEffect, type SimulatedUnit } from '@hudrik/core/catalogue';
import express, { type Express } from 'express';
import seedrandom from 'seedrandom';

/** All channels at one time, and the load it was at. */
export type LiveReading = Readonly<Record<string, number>> & { readonly rpm: number; readonly load: number };

const ENGINE_ALONE: SimulatedUnit = { rpm: 3600, channels: {} };
/** A sound governor lets it fall by so much to full load. */
const DROOP_RPM = 150;
const JITTER_RPM = 14;

/** One reading of a unit of a class under a load (0 to 1), with these families of faults in it. The wave and the jitter come in. */
export function readingOf(
  classId: string,
  families: readonly string[],
  load: number,
  wave: number,
  jitter: () => number,
): LiveReading {
  const { channels, rpm: rated } = isClassId(classId) ? folderOf(classId).simulation : ENGINE_ALONE;
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
  const shown = Object.entries(channels).map(([name, { none, full, power, by, digits }]) => {
    const value = (none + (full - none) * load) * (1 + (by ? sum(by) : 0)) * (rpm / rated) ** power;
    return [name, Number(Math.max(value, 0).toFixed(digits))];
  });
  return { ...Object.fromEntries(shown), rpm: Math.round(rpm), load };
}

const EVERY_MS = 500;

/** The simulated load bank and clip-on tachometer: readings over server-sent events, twice a second. Asked: class, families of faults, load. */
export function loadBankStandIn(everyMs = EVERY_MS): Express {
  const app = express();
  app.get('/stream', (request, response) => {
    const [classId, families, load] = [
      String(request.query['class'] ?? ''),
      String(request.query['families'] ?? '')
        .split(',')
        .filter(Boolean),
      Number(request.query['load'] ?? 0),
    ];
    response.set({
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-cache, no-transform',
      Connection: 'keep-alive',
    });
    response.flushHeaders();
    const jitter = seedrandom(`${classId} ${families.join()} ${load}`);
    let tick = 0;
    const send = (): void =>
      void response.write(
        `data: ${JSON.stringify(readingOf(classId, families, Math.min(Math.max(load, 0), 1), tick++ * 0.9, jitter))}\n\n`,
      );
    send();
    const timer = setInterval(send, everyMs);
    request.on('close', () => clearInterval(timer));
  });
  return app;
}
