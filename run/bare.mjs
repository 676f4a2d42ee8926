import express from 'express';
import pg from 'pg';

/** The rows of the yard's first page by one statement, and nothing else: no sign-in, no roles, no counts, no check of what comes in. */
const pool = new pg.Pool({ connectionString: process.env.DATABASE_URL, max: 10 });
const STATEMENT = `
  select u.*, m.make, m.name,
    (select r.true_hours from meter_reading r where r.unit_id = u.id order by r.id desc limit 1) as true_hours,
    (select to_json(h) from hire h where h.unit_id = u.id and h.state = 'booked' order by h.from_at limit 1) as next_hire
  from unit u join model m on m.id = u.model_id
  where u.readiness <> 'gone'
  order by array_position(array['pressure-washer','generator','tiller','snowblower','log-splitter','welder']::text[], u.class_id), u.tag
  limit 101`;
const app = express();
app.disable('x-powered-by');
app.set('etag', false);
app.get('/', async (_request, response) => {
  const { rows } = await pool.query(STATEMENT);
  response.json(rows);
});
const server = app.listen(Number(process.env.PORT), '127.0.0.1', () =>
  console.log('bare is up at', server.address().port),
);
