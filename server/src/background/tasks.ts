import { backUpWhenDue, takeBackup, type Backups } from '../backups/nightly';
import type { Context } from '../context';
import { takeDesk } from '../desk/takeDesk';
import { takeEquipment } from '../equipment/takeEquipment';
import { findStaleFuel } from '../fuel/staleFuel';
import { askOrder, askUnasked } from '../parts/askOrder';
import { fetchQuote } from '../parts/quotes';
import type { Supplier } from '../parts/supplier';
import { dropLoosePhotos, enqueueMissingThumbnails, makeThumbnail } from '../photos/photos';
import { endClock } from './clockEnd';
import { cleanUp } from './cleanUp';
import type { Tasks } from './runner';

/** Each task calls one use case. All of them may run again. */
export const tasksOf = (
  context: Pick<Context, 'db' | 'now' | 'desk' | 'equipment'>,
  supplier: Supplier,
  backups: Backups | null = null,
): Tasks => ({
  'back-up': async () => {
    if (backups) await takeBackup(context, backups);
  },
  'ask-order': ({ orderId }) => askOrder(context, supplier, orderId),
  'ask-quote': ({ number }) => fetchQuote(context, supplier, number),
  thumbnail: ({ photoId }) => makeThumbnail(context, photoId),
  'clock-end': ({ clockId }) => endClock(context.db, clockId),
  'read-desk': async () => {
    await takeDesk(context, context.desk);
  },
  'read-equipment': async () => {
    await takeEquipment(context, context.equipment);
  },
  tick: async () => {
    await askUnasked(context.db, context.now());
    await enqueueMissingThumbnails(context.db);
    await cleanUp(context);
    await dropLoosePhotos(context);
    await takeDesk(context, context.desk);
    await takeEquipment(context, context.equipment);
    await findStaleFuel(context);
    if (backups) await backUpWhenDue(context);
  },
});
