import { askNow, enqueue } from '../background/enqueue';
import { addAbsence, endAbsence, readWorkingHours, setHours } from '../bench/workingHours';
import { planAnew, readBench } from '../bench/readBench';
import { readClocks } from '../cards/clocks';
import { readCard } from '../cards/readCard';
import { readWays } from '../cards/ways';
import { readOpening } from '../checkins/opening';
import { readCheckIn } from '../checkins/readCheckIn';
import { calendarSecret, ownCalendar } from '../desk/ownCalendar';
import { allowBurst } from '../desk/allowBurst';
import { readDesk } from '../desk/readDesk';
import { readEquipment } from '../equipment/readEquipment';
import { exportHires, importHires } from '../exchange/hires';
import { takeFleet } from '../exchange/fleet';
import { exportModels, importModels } from '../exchange/models';
import { exportPlans, importPlans } from '../exchange/plans';
import { exportParts, importParts } from '../exchange/parts';
import { exportUnits, importUnits } from '../exchange/units';
import { forgetLearned, readLearned } from '../findings/learned';
import { readFinding, readUnitFinding } from '../findings/readFinding';
import { addUnit } from '../fleet/addUnit';
import { editUnit } from '../fleet/editUnit';
import { exportSheets, importSheets } from '../exchange/sheets';
import { readUnitParts } from '../fleet/unitParts';
import { readUnitSheet } from '../fleet/unitSheet';
import { readFleetService } from '../service/fleetService';
import { servicePdf } from '../service/servicePdf';
import { changeModelPlan, readModelPlan } from '../service/modelPlans';
import { readUnitService } from '../service/unitService';
import { addModel, changeSheet, copyModel, readModels, readModelSheet } from '../fleet/models';
import { readUnits } from '../fleet/unitLines';
import { readUnitPage } from '../fleet/unitPage';
import { readFree } from '../hires/free';
import { readTrouble } from '../hires/trouble';
import { readCalendar } from '../hires/calendar';
import { changeHire } from '../hires/changeHire';
import { addHire, cancelHire, readHires } from '../hires/hires';
import { readJobs } from '../jobs/readJobs';
import { readHistory } from '../log/readLog';
import { takeEntry } from '../log/takeEntry';
import { changeExchangePart, readExchangeParts } from '../parts/exchangeParts';
import { addOrder, askAgain, readOrders, receiveOrder } from '../parts/orders';
import { addPart, countPart, readParts } from '../parts/parts';
import { askQuote, readQuote } from '../parts/quotes';
import { addPerson, changePerson, readPeople, setPreferences } from '../people/people';
import { changeSettings, readSettings } from '../people/settings';
import { zoneShift } from '../people/zoneShift';
import { putPhoto, readPhoto, readThumb } from '../photos/photos';
import { cardPdf } from '../printing/cardPdf';
import { dayPdf } from '../printing/dayPdf';
import { labelsPdf } from '../printing/labelsPdf';
import { estimatePdf } from '../printing/estimatePdf';
import { exportReorder, readReorder } from '../parts/reorder';
import { addCan, changeCan, readFuelStore } from '../fuel/cans';
import { readUnitFuel } from '../fuel/unitFuel';
import { chooseLayUp, setModelTank, setSeasons } from '../layUp/changeLayUp';
import { readLayUp } from '../layUp/readLayUp';
import { layUpTags } from '../layUp/layUpTags';
import { exportSeasonSheet, readSeasonSheet, seasonPdf } from '../layUp/seasonSheet';
import { readShift } from '../shift/shift';
import { readHealth, readStatus } from '../status/readStatus';
import { accessHandlersOf, isStillIn } from './accessHandlers';
import { bytesOf, classIn, numberIn, originOf, param, sendCsv, sendPdf, sendPhoto, textOf } from './answers';
import type { Handlers } from './bind';
import type { Installation } from './installation';
import { isNear } from './isNear';
import { openApiDocument } from './openapi';
import { streamLive } from './streamLive';

/** One line per operation: parsing is done, the use case does the work. The context is the request's own: a change runs in its transaction. */
export function handlersOf(installation: Installation): Handlers {
  return {
    health: async ({ context, response }) => {
      const health = await readHealth(context, installation, isNear(response.req));
      if (!health.ready) response.status(503).json(health);
      return health;
    },
    status: async ({ context }) => readStatus(context, installation),
    backUpNow: async ({ context }) => {
      await enqueue(context.db, 'back-up', {}, { key: 'back-up' });
      return readStatus(context, installation);
    },
    openapi: async () => openApiDocument(installation.version),
    ...accessHandlersOf(installation),
    setPreferences: async ({ context, actor, body }) => setPreferences(context, actor.id, body),
    settings: async ({ context }) => readSettings(context.db),
    zoneShift: async ({ context, query }) => zoneShift(context, query.to),
    changeSettings: async ({ context, body }) => changeSettings(context.db, body),
    people: async ({ context }) => readPeople(context.db),
    changePerson: async ({ context, params, body }) => changePerson(context, numberIn(params, 'id'), body),
    addPerson: async ({ context, body }) => addPerson(context.db, body),

    shift: async ({ context }) => readShift(context),
    units: async ({ context, query }) => readUnits(context, query),
    unit: async ({ context, params }) => readUnitPage(context, param(params, 'tag')),
    addUnit: async ({ context, actor, body }) => addUnit(context, actor, body),
    changeUnit: async ({ context, actor, params, body, seenVersion }) =>
      editUnit(context, actor, param(params, 'tag'), body, seenVersion),
    addLogEntry: async ({ context, actor, body }) => takeEntry(context, actor, body),
    history: async ({ context, params, query }) => readHistory(context, param(params, 'tag'), query),
    models: async ({ context }) => readModels(context.db),
    modelSheet: async ({ context, params }) => readModelSheet(context.db, numberIn(params, 'id')),
    changeSheet: async ({ context, actor, params, body }) => changeSheet(context, actor, numberIn(params, 'id'), body),
    unitSheet: async ({ context, params }) => readUnitSheet(context.db, param(params, 'tag')),
    unitService: async ({ context, params }) => readUnitService(context, param(params, 'tag')),
    modelPlan: async ({ context, params }) => readModelPlan(context.db, numberIn(params, 'id')),
    changePlan: async ({ context, actor, params, body }) =>
      changeModelPlan(context, actor, numberIn(params, 'id'), body),
    importPlans: async ({ context, actor, body }) => importPlans(context, actor, textOf(body)),
    exportPlans: async ({ context, response }) => sendCsv(response, 'service-plans', await exportPlans(context.db)),
    fleetService: async ({ context }) => readFleetService(context),
    servicePdf: async ({ context, response }) =>
      sendPdf(response, 'service', await servicePdf(context, originOf(response))),
    equipment: async ({ context }) => readEquipment(context),
    readEquipmentNow: async ({ context }) => {
      await askNow(context.db, 'read-equipment');
      return readEquipment(context);
    },
    fuelStore: async ({ context }) => readFuelStore(context),
    addCan: async ({ context, actor, body }) => addCan(context, actor, body),
    changeCan: async ({ context, actor, params, body }) => changeCan(context, actor, param(params, 'id'), body),
    unitFuel: async ({ context, params }) => readUnitFuel(context, param(params, 'tag')),
    setModelTank: async ({ context, params, body }) => setModelTank(context, numberIn(params, 'id'), body),
    layUp: async ({ context }) => readLayUp(context),
    chooseLayUp: async ({ context, actor, params, body }) => chooseLayUp(context, actor, param(params, 'tag'), body),
    setSeasons: async ({ context, params, body }) => setSeasons(context, classIn(params), body.seasons),
    seasonSheet: async ({ context }) => readSeasonSheet(context),
    exportSeasonSheet: async ({ context, response }) => sendCsv(response, 'lay-up', await exportSeasonSheet(context)),
    layUpTags: async ({ context, response }) =>
      sendPdf(response, 'lay-up tags', await layUpTags(context, originOf(response))),
    seasonPdf: async ({ context, response }) =>
      sendPdf(response, 'lay-up', await seasonPdf(context, originOf(response))),
    bench: async ({ context }) => readBench(context),
    benchSearch: async ({ context }) => context.searches.read(),
    stopSearch: async ({ context }) => context.searches.stop(),
    planAnew: async ({ context, body }) => planAnew(context, body.seconds),
    dayPdf: async ({ context, params, response }) =>
      sendPdf(response, 'day', await dayPdf(context, param(params, 'person'), originOf(response))),
    workingHours: async ({ context }) => readWorkingHours(context.db),
    setHours: async ({ context, params, body }) => setHours(context, numberIn(params, 'id'), body.hours),
    addAbsence: async ({ context, body }) => addAbsence(context, body),
    endAbsence: async ({ context, params }) => endAbsence(context, numberIn(params, 'id')),
    unitParts: async ({ context, params, query }) => readUnitParts(context.db, param(params, 'tag'), query.find),
    addModel: async ({ context, actor, body: { copyOf, ...model } }) =>
      copyOf === undefined ? addModel(context.db, model) : copyModel(context, actor, copyOf, model),

    hires: async ({ context, query }) => readHires(context, query),
    free: async ({ context, query }) => readFree(context.db, query),
    addHire: async ({ context, actor, body }) => addHire(context, actor, body),
    trouble: async ({ context, params, query }) => readTrouble(context, param(params, 'tag'), query.complaints),
    desk: async ({ context }) => readDesk(context.db),
    readDeskNow: async ({ context }) => {
      await askNow(context.db, 'read-desk');
      return readDesk(context.db);
    },
    allowBurst: async ({ context, actor, params, body }) =>
      allowBurst(context, actor, param(params, 'classId'), body.atOnce),
    calendarAddress: async ({ context, actor }) => calendarSecret(context.db, actor.id, false),
    renewCalendar: async ({ context, actor }) => calendarSecret(context.db, actor.id, true),
    ownCalendar: async ({ context, params, response }) => {
      const text = await ownCalendar(context, param(params, 'secret').replace(/\.ics$/, ''));
      response.setHeader('Cache-Control', 'private, no-store');
      response.type('text/calendar; charset=utf-8').send(text);
      return undefined;
    },
    hireCalendar: async ({ context }) => readCalendar(context),
    changeHire: async ({ context, actor, params, body }) =>
      changeHire(context, actor, param(params, 'reference'), body),
    cancelHire: async ({ context, actor, params }) => cancelHire(context, actor, param(params, 'reference')),

    opening: async ({ context, params }) => readOpening(context, param(params, 'tag')),
    checkIn: async ({ context, params }) => readCheckIn(context, param(params, 'id')),
    putPhoto: async ({ context, actor, params, query, body }) =>
      putPhoto(context, actor, param(params, 'id'), bytesOf(body), query.madeBy ?? null),
    photo: async ({ context, params, response }) =>
      sendPhoto(response, await readPhoto(context, param(params, 'id')), { isFinal: true }),
    photoThumb: async ({ context, params, response }) => {
      const thumb = await readThumb(context, param(params, 'id'));
      return sendPhoto(response, thumb, thumb);
    },

    finding: async ({ context, params }) => readFinding(context, param(params, 'id')),
    unitFinding: async ({ context, params }) => ({ finding: await readUnitFinding(context, param(params, 'tag')) }),
    learned: async ({ context }) => readLearned(context.db),
    forgetLearned: async ({ context, actor }) => forgetLearned(context, actor),

    jobs: async ({ context, query }) => readJobs(context, query),
    card: async ({ context, params }) => readCard(context, param(params, 'id')),
    cardPdf: async ({ context, params, response }) =>
      sendPdf(response, `job-${param(params, 'id')}`, await cardPdf(context, param(params, 'id'), originOf(response))),
    estimatePdf: async ({ context, params, query, response }) =>
      sendPdf(
        response,
        `estimate-${param(params, 'id')}`,
        await estimatePdf(context, param(params, 'id'), query, originOf(response)),
      ),
    ways: async ({ context, params, query }) => readWays(context, param(params, 'id'), query),
    live: async ({ context, actor, token, device, params, query, response }) =>
      streamLive(context, { jobId: param(params, 'id'), load: query.load }, response, {
        events: installation.events,
        isStillIn: () => isStillIn(context, { actor, token, device }),
      }),
    clocks: async ({ context, actor }) => readClocks(context, actor),

    reorder: async ({ context }) => readReorder(context),
    exportReorder: async ({ context, response }) => sendCsv(response, 'reorder', await exportReorder(context)),
    parts: async ({ context, query }) => readParts(context, query.find),
    addPart: async ({ context, actor, body }) => addPart(context, actor, body),
    countPart: async ({ context, actor, params, body }) => countPart(context, actor, param(params, 'number'), body),
    quotePart: async ({ context, params }) => readQuote(context, param(params, 'number')),
    askQuote: async ({ context, params }) => askQuote(context, param(params, 'number')),
    orders: async ({ context }) => readOrders(context),
    addOrder: async ({ context, actor, body }) => addOrder(context, actor, body),
    sendOrder: async ({ context, params }) => askAgain(context, param(params, 'id')),
    receiveOrder: async ({ context, actor, params }) => receiveOrder(context, actor, param(params, 'id')),
    exchangeParts: async ({ context }) => readExchangeParts(context),
    changeExchangePart: async ({ context, actor, params, body }) =>
      changeExchangePart(context, actor, param(params, 'id'), body.state),

    importParts: async ({ context, actor, body }) => importParts(context, actor, textOf(body)),
    exportParts: async ({ context, response }) => sendCsv(response, 'parts', await exportParts(context.db)),
    takeFleet: async ({ context, actor, body, query }) =>
      takeFleet(context, actor, textOf(body), query.trial === 'yes'),
    labelsPdf: async ({ context, response }) =>
      sendPdf(response, 'labels', await labelsPdf(context, originOf(response))),
    importUnits: async ({ context, actor, body }) => importUnits(context, actor, textOf(body)),
    exportUnits: async ({ context, response }) => sendCsv(response, 'units', await exportUnits(context.db)),
    importModels: async ({ context, body }) => importModels(context, textOf(body)),
    exportModels: async ({ context, response }) => sendCsv(response, 'models', await exportModels(context.db)),
    importSheets: async ({ context, actor, body }) => importSheets(context, textOf(body), actor.id),
    exportSheets: async ({ context, response }) => sendCsv(response, 'sheets', await exportSheets(context.db)),
    importHires: async ({ context, actor, body }) => importHires(context, actor, textOf(body)),
    exportHires: async ({ context, response }) => sendCsv(response, 'hires', await exportHires(context.db)),
  };
}
