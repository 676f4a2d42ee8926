import express, { type Express } from 'express';
import ICAL from 'ical.js';

/** A hire as the simulated desk keeps it. */
export interface DeskBooking {
  readonly uid: string;
  readonly classId: string;
  readonly tag?: string;
  readonly hirer: string;
  readonly from: string;
  readonly to: string;
  readonly status?: 'CONFIRMED' | 'CANCELLED';
}

/**
 * The simulated booking desk: hires taken elsewhere, given as an iCalendar feed. PUT /hires/UID books or changes one, DELETE cancels it: so
 * one can see the plan change. `?manners=cut|nonsense` on the feed makes it misbehave.
 */
export function bookingDeskStandIn(first: readonly DeskBooking[]): Express {
  const app = express();
  const bookings = new Map(first.map((booking) => [booking.uid, booking]));
  app.use(express.json());
  app.get('/hires.ics', (request, response) => {
    const text = calendarOf([...bookings.values()]);
    if (request.query['manners'] === 'nonsense') return void response.type('html').send('<h1>Back soon</h1>');
    response.type('text/calendar').send(request.query['manners'] === 'cut' ? text.slice(0, text.length / 2) : text);
  });
  app.put('/hires/:uid', (request, response) => {
    const { uid } = request.params;
    bookings.set(uid, { ...bookings.get(uid), ...request.body, uid });
    response.json(bookings.get(uid));
  });
  app.delete('/hires/:uid', (request, response) => {
    const booking = bookings.get(request.params.uid);
    if (booking === undefined) return void response.status(404).end();
    bookings.set(booking.uid, { ...booking, status: 'CANCELLED' });
    response.status(204).end();
  });
  return app;
}

/** Hires as iCalendar, a class as its category and a promised unit as its resource. */
export function calendarOf(bookings: readonly DeskBooking[]): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Simulated booking desk//EN');
  for (const { uid, classId, tag, hirer, from, to, status = 'CONFIRMED' } of bookings) {
    const event = new ICAL.Component('vevent');
    const time = (at: string) => ICAL.Time.fromJSDate(new Date(at), true);
    event.addPropertyWithValue('uid', uid);
    event.addPropertyWithValue('dtstamp', time(from));
    event.addPropertyWithValue('dtstart', time(from));
    event.addPropertyWithValue('dtend', time(to));
    event.addPropertyWithValue('summary', hirer);
    event.addPropertyWithValue('categories', classId);
    if (tag) event.addPropertyWithValue('resources', tag);
    event.addPropertyWithValue('status', status);
    calendar.addSubcomponent(event);
  }
  return calendar.toString();
}
