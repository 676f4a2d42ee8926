import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import sharp from 'sharp';
import { enqueueMissingThumbnails, makeThumbnail } from './photos';
import { jsonOf, problemIn, useYard } from '../testing/yard';

const picture = (width: number, height: number, format: 'jpeg' | 'png' | 'webp' | 'tiff' = 'jpeg') =>
  sharp({ create: { width, height, channels: 3, background: '#884422' } })
    .toFormat(format)
    .toBuffer();

describe('photos', () => {
  const yard = useYard();
  const put = (id: string, bytes: Buffer, as: 'technician' | 'lead' | 'apprentice' = 'technician', query = '') =>
    yard.ask('PUT', `/api/photos/${id}${query}`, { as, raw: bytes, headers: { 'content-type': 'image/jpeg' } });
  const get = (path: string) => yard.ask('GET', `/api/photos/${path}`, { as: 'counter' });
  const sizeOf = async (answer: Response) => {
    const { width, height, format } = await sharp(Buffer.from(await answer.arrayBuffer())).metadata();
    return [width, height, format];
  };
  const rowOf = (id: string) => yard.db.selectFrom('photo').selectAll().where('id', '=', id).executeTakeFirstOrThrow();

  for (const format of ['jpeg', 'png', 'webp'] as const)
    test(`a ${format} is kept as what its bytes are`, async () => {
      const id = randomUUID();
      const bytes = await picture(60, 40, format);
      const answer = await put(id, bytes);
      const { width, height } = await jsonOf<{ width: number; height: number }>(answer);
      assert.deepEqual([answer.status < 300, width, height], [true, 60, 40]);
      const back = await get(id);
      assert.equal(back.headers.get('content-type'), `image/${format}`);
      const [was, is] = [bytes, Buffer.from(await back.arrayBuffer())];
      const colour = async (picture: Buffer) =>
        (await sharp(picture).stats()).channels.map(({ mean }) => Math.round(mean / 8));
      assert.deepEqual(await colour(is), await colour(was));
    });

  test('where it was taken, and what lies behind its end, are not kept; it is upright without saying so', async () => {
    const told = await sharp(await picture(60, 40))
      .withExif({ IFD0: { Make: 'Camera of somebody' }, IFD3: { GPSLatitude: '59/1 0/1 0/1' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    const id = randomUUID();
    await put(id, Buffer.concat([told, Buffer.from('<script>behind the end</script>')]));
    const kept = (await rowOf(id)).bytes;
    const { exif, orientation, width, height } = await sharp(kept).metadata();
    assert.deepEqual([exif, orientation, width, height], [undefined, undefined, 40, 60]);
    assert.ok(!kept.includes('script') && !kept.includes('somebody'));
  });

  test('a picture of more pixels than any phone takes is refused by its head', async () => {
    // A PNG’s size stands in its first 24 bytes (PNG 3rd edition, 11.2.1).
    const bomb = Buffer.from(await picture(10, 10, 'png'));
    bomb.writeUInt32BE(60_000, 16);
    bomb.writeUInt32BE(60_000, 20);
    assert.equal((await problemIn(await put(randomUUID(), bomb))).code, 'too-large');
  });

  test('another kind of picture, a broken one, none at all and one too large are refused', async () => {
    const whole = await picture(60, 40);
    for (const bytes of [await picture(60, 40, 'tiff'), whole.subarray(0, 200), Buffer.from('text'), Buffer.alloc(0)])
      assert.equal((await problemIn(await put(randomUUID(), bytes))).code, 'not-a-photo');
    const large = Buffer.concat([whole, Buffer.alloc(2_500_001 - whole.length)]);
    assert.deepEqual((({ code, facts }) => [code, facts?.['most']])(await problemIn(await put(randomUUID(), large))), [
      'too-large',
      2_500_000,
    ]);
    assert.equal((await problemIn(await put('one', whole))).code, 'not-valid');
    assert.equal((await problemIn(await get('one'))).code, 'not-found');
    assert.equal((await problemIn(await get(randomUUID()))).code, 'not-found');
    assert.equal((await problemIn(await get(`${randomUUID()}/thumb`))).code, 'not-found');
  });

  test('sent twice it is one; another picture under its id is refused', async () => {
    const id = randomUUID();
    const bytes = await picture(60, 40);
    assert.ok((await put(id, bytes)).ok);
    assert.ok((await put(id, bytes)).ok);
    assert.equal((await problemIn(await put(id, await picture(61, 40)))).code, 'key-reused');
    assert.deepEqual(
      (({ width, height }) => [width, height])(await sharp((await rowOf(id)).bytes).metadata()),
      [60, 40],
    );
  });

  test('its small one is made in the background, no wider than 240; until then the photo itself stands for it', async () => {
    const id = randomUUID();
    await put(id, await picture(900, 300));
    assert.deepEqual(await sizeOf(await get(`${id}/thumb`)), [900, 300, 'jpeg']);
    await yard.runBackground();
    assert.deepEqual(await sizeOf(await get(`${id}/thumb`)), [240, 80, 'jpeg']);
    assert.deepEqual(await sizeOf(await get(id)), [900, 300, 'jpeg']);
    const { thumb } = await rowOf(id);
    await makeThumbnail(yard.context, id);
    assert.ok(thumb && (await rowOf(id)).thumb?.equals(thumb));
    await makeThumbnail(yard.context, randomUUID());
  });

  test('a small picture is not blown up; one that lies on its side is set upright', async () => {
    const [small, side] = [randomUUID(), randomUUID()];
    await put(small, await picture(50, 40, 'png'));
    const turned = await sharp(await picture(400, 200))
      .withMetadata({ orientation: 6 })
      .toBuffer();
    await put(side, turned);
    await yard.runBackground();
    assert.deepEqual(await sizeOf(await get(`${small}/thumb`)), [50, 40, 'jpeg']);
    assert.deepEqual(await sizeOf(await get(`${side}/thumb`)), [120, 240, 'jpeg']);
  });

  test('photos of older versions get their small one', async () => {
    const id = randomUUID();
    await put(id, await picture(300, 300));
    await yard.runBackground();
    await yard.db.updateTable('photo').set({ thumb: null }).where('id', '=', id).execute();
    await enqueueMissingThumbnails(yard.db);
    await yard.runBackground();
    assert.ok((await rowOf(id)).thumb);
  });

  test('whose it is: the sender’s, or with a lead sending it on, its maker’s', async () => {
    const bytes = await picture(60, 40);
    const [own, sentOn, strange] = [randomUUID(), randomUUID(), randomUUID()];
    const apprentice = yard.personId('apprentice');
    await put(own, bytes);
    assert.equal((await rowOf(own)).person_id, yard.personId('technician'));
    assert.ok((await put(sentOn, bytes, 'lead', `?madeBy=${apprentice}`)).ok);
    assert.equal((await rowOf(sentOn)).person_id, apprentice);
    assert.ok((await put(randomUUID(), bytes, 'apprentice', `?madeBy=${apprentice}`)).ok);
    assert.equal(
      (await problemIn(await put(strange, bytes, 'technician', `?madeBy=${apprentice}`))).code,
      'not-your-role',
    );
    assert.equal((await problemIn(await put(strange, bytes, 'lead', '?madeBy=9999'))).code, 'not-found');
  });
});
