import type { Express } from 'express';
import { bookingDeskStandIn, type DeskBooking } from './bookingDesk';
import { loadBankStandIn } from './loadBank';
import { supplierStandIn, type SupplierManners } from './supplier';
import { portOf } from '../portOf';

export interface StandIns {
  readonly supplierUrl: string;
  readonly loadBankUrl: string;
  /** Of its feed. */
  readonly deskUrl: string;
  readonly stop: () => void;
}

/** Starts the simulated outside on loopback, each a service of its own on a free port. */
export async function startStandIns(
  manners: SupplierManners,
  everyMs?: number,
  bookings: readonly DeskBooking[] = [],
): Promise<StandIns> {
  const [supplier, loadBank, desk] = await Promise.all([
    listen(supplierStandIn(manners)),
    listen(loadBankStandIn(everyMs)),
    listen(bookingDeskStandIn(bookings)),
  ]);
  return {
    supplierUrl: supplier.url,
    loadBankUrl: loadBank.url,
    deskUrl: `${desk.url}/hires.ics`,
    stop: () => {
      supplier.stop();
      loadBank.stop();
      desk.stop();
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
