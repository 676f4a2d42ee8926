import { REGULAR_TASKS, type RegularTask } from '@hudrik/core/contracts';
import type { Logger } from 'pino';
import { backUpWhenDue, takeBackup, type Backups } from '../backups/nightly';
import type { Context } from '../context';
import type { Db } from '../database/tables';
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
import { watched } from './watched';

/** Each task calls one use case. All of them may run again. */
export const tasksOf = (
  context: Pick<Context, 'db' | 'now' | 'desk' | 'equipment' | 'readers'>,
  supplier: Supplier,
  log: Logger,
  backups: Backups | null = null,
): Tasks => ({
  'back-up': async () => {
    if (backups) await takeBackup(context, backups);
  },
  'ask-order': ({ orderId }) => askOrder(context, supplier, orderId),
  'ask-quote': ({ number }) => fetchQuote(context, supplier, number),
  thumbnail: ({ photoId }) => makeThumbnail(context, photoId),
  'clock-end': ({ clockId }) => endClock(context.db, clockId),
  regular: eachWatched(context.db, log, {
    'ask-orders': () => askUnasked(context.db, context.now()),
    'make-thumbnails': () => enqueueMissingThumbnails(context.db),
    'clean-up': () => cleanUp(context),
    'drop-loose-photos': () => dropLoosePhotos(context),
    'read-desk': () => takeDesk(context, context.desk),
    'read-equipment': () => takeEquipment(context, context.equipment),
    'find-stale-fuel': () => findStaleFuel(context),
    'start-backup': async () => backups && backUpWhenDue(context),
  }),
});

/** Each by itself: one that fails or hangs is in no other's way. */
const eachWatched = (
  db: Db,
  log: Logger,
  tasks: Readonly<Record<RegularTask, () => Promise<unknown>>>,
): Tasks['regular'] => {
  const of = (task: RegularTask) => () => watched(db, task, tasks[task], log);
  return Object.fromEntries(REGULAR_TASKS.map((task) => [task, of(task)])) as Tasks['regular'];
};
