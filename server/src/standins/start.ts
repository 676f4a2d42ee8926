import type { Express } from 'express';
import { bookingDeskStandIn, type DeskBooking } from './bookingDesk';
import { equipmentFeedStandIn, type SimulatedMachine } from './equipmentFeed';
import { loadBankStandIn } from './loadBank';
import { supplierStandIn, type SupplierManners } from './supplier';
import { portOf } from '../portOf';

export interface StandIns {
  readonly supplierUrl: string;
  readonly loadBankUrl: string;
  /** Of its feed. */
  readonly deskUrl: string;
  /** Of the machines’ feed. */
  readonly equipmentUrl: string;
  readonly stop: () => void;
}

/** Starts the simulated outside on loopback, each a service of its own on a free port. */
export async function startStandIns(
  manners: SupplierManners,
  everyMs?: number,
  bookings: readonly DeskBooking[] = [],
  machines: () => Promise<readonly SimulatedMachine[]> = async () => [],
): Promise<StandIns> {
  const [supplier, loadBank, desk, equipment] = await Promise.all([
    listen(supplierStandIn(manners)),
    listen(loadBankStandIn(everyMs)),
    listen(bookingDeskStandIn(bookings)),
    listen(equipmentFeedStandIn(machines)),
  ]);
  return {
    supplierUrl: supplier.url,
    loadBankUrl: loadBank.url,
    deskUrl: `${desk.url}/hires.ics`,
    equipmentUrl: `${equipment.url}/fleet.xml`,
    stop: () => {
      supplier.stop();
      loadBank.stop();
      desk.stop();
      equipment.stop();
    },
  };
}

function listen(app: Express): Promise<{ url: string; stop: () => void }> {
  return new Promise((resolve, reject) => {
    const server = app.listen(0, '127.0.0.1', () => {
      resolve({
        url: `http://127.0.0.1:${portOf(server)}`,
        stop: () => {
          server.closeAllConnections();
          server.close();
        },
      });
    });
    server.on('error', reject);
  });
}
