import express, { type Express } from 'express';
import { XMLBuilder } from 'fast-xml-parser';

/** A machine as its simulated device knows it. */
export interface SimulatedMachine {
  readonly equipmentId: string;
  readonly serial: string;
  readonly hours: number;
  readonly at: string;
  readonly latitude?: number;
  readonly longitude?: number;
}

/**
 * The simulated feed of machines that tell their own hours and place, in the open form of ISO/TS 15143-3 (names from memory of the published
 * schema). PUT /machines/ID makes one tell something else, DELETE silences it. `?manners=cut|nonsense` on the feed makes it misbehave.
 */
export function equipmentFeedStandIn(first: () => Promise<readonly SimulatedMachine[]>): Express {
  const app = express();
  const changed = new Map<string, SimulatedMachine | null>();
  app.use(express.json());
  app.get('/fleet.xml', async (request, response) => {
    const machines = new Map<string, SimulatedMachine | null>((await first()).map((one) => [one.equipmentId, one]));
    for (const [id, machine] of changed) machines.set(id, machine);
    const text = fleetOf([...machines.values()].filter((one) => one !== null));
    if (request.query['manners'] === 'nonsense') return void response.type('html').send('<h1>Back soon</h1>');
    response.type('application/xml').send(request.query['manners'] === 'cut' ? text.slice(0, text.length / 2) : text);
  });
  app.put('/machines/:id', (request, response) => {
    const { id } = request.params;
    changed.set(id, { ...request.body, equipmentId: id });
    response.json(changed.get(id));
  });
  app.delete('/machines/:id', (request, response) => {
    changed.set(request.params.id, null);
    response.status(204).end();
  });
  return app;
}

/** Machines as a fleet snapshot. */
export function fleetOf(machines: readonly SimulatedMachine[]): string {
  const builder = new XMLBuilder({ ignoreAttributes: false, attributeNamePrefix: '@', format: true });
  return builder.build({
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    Fleet: {
      '@version': '1',
      '@snapshotTime': machines[0]?.at ?? '',
      '@xmlns': 'http://standards.iso.org/iso/15143/-3',
      Equipment: machines.map(({ equipmentId, serial, hours, at, latitude, longitude }) => ({
        EquipmentHeader: { EquipmentID: equipmentId, SerialNumber: serial },
        ...(latitude === undefined ? {} : { Location: { '@datetime': at, Latitude: latitude, Longitude: longitude } }),
        CumulativeOperatingHours: { '@datetime': at, Hour: hours },
      })),
    },
  });
}
