import type { UnitPage } from '@hudrik/core/contracts';
import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { LOG, taken } from '@/testing/cardReply';
import { pageWith } from '@/testing/samples';
import { IVO, press, show, type } from '@/testing/screen';
import { FiguresToConfirm } from './FiguresToConfirm';
import { NotOnThisUnit } from './NotOnThisUnit';

jest.mock('@/photos/shrinkPhoto', () => ({ shrinkPhoto: async (file: Blob) => file }));

beforeAll(() => {
  URL.createObjectURL = () => 'blob:plate';
  URL.revokeObjectURL = () => undefined;
});

const LEAD = { ...IVO, id: 1, name: 'Runa Veldt', role: 'lead' } as const;
const figure: UnitPage['toConfirm'][number] = {
  ...{ defectId: '6f1f6a52-1f0e-4f5e-9a55-0c9b2f6f0001', rating: 'hertz', of: 'model', value: 60 },
  ...{ by: 'Ivo Tarnwell', at: '2030-03-04T09:00:00Z' },
};
const pageOf = (more: Partial<UnitPage>): UnitPage => ({ ...pageWith([]), ...more });
const choosePhoto = () =>
  fireEvent(screen.UNSAFE_getByProps({ type: 'file' }), 'change', {
    target: { files: [new File(['x'], 'plate.jpg', { type: 'image/jpeg' })], value: '' },
  });

describe('a rated figure that was changed while something is held against it', () => {
  test('is confirmed by a lead from the plate, with a photo, which goes ahead', async () => {
    const server = show(<FiguresToConfirm page={pageOf({ toConfirm: [figure] })} />, { [LOG]: taken }, LEAD);
    expect(await screen.findByText(/^Changed .* by Ivo Tarnwell, while something is open/)).toBeTruthy();
    await press('Confirm it');
    expect(screen.getByText(/^It is of the model: every unit of it is judged by it anew/)).toBeTruthy();
    expect(screen.getByText('A photo of it, taken now.')).toBeTruthy();
    expect(screen.queryByText('A second person')).toBeNull();
    choosePhoto();
    await press('The plate cannot be read: by the maker’s sheet');
    await screen.findByRole('button', { name: 'Remove' });
    await press('It stands so');
    await waitFor(() =>
      expect(server.sent[1]?.body).toMatchObject({
        ...{ kind: 'figure-confirmed', tag: 'GE-07' },
        facts: { rating: 'hertz', of: 'model', value: 60, from: 'makers-sheet' },
      }),
    );
    const [photo, entry] = server.sent;
    const photoId = photo?.path.split('?')[0]?.replace('/api/photos/', '');
    expect(entry?.body['facts']).toMatchObject({ photoId });
  });

  test('whoever changed it themselves has another lead say so too', async () => {
    const own = { ...figure, by: LEAD.name };
    show(
      <FiguresToConfirm page={pageOf({ toConfirm: [own] })} />,
      { 'GET /api/sign-in-options': { people: [] } },
      LEAD,
    );
    await press('Confirm it');
    choosePhoto();
    expect(await screen.findByText('Another lead says so too, or you say why there is none.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'It stands so', disabled: true })).toBeTruthy();
    await press('Nobody else is here');
    type('Why it cannot wait for a second person', 'Only one lead');
    expect(await screen.findByRole('button', { name: 'It stands so', disabled: false })).toBeTruthy();
  });

  test('one that was taken away cannot be confirmed, and nobody but a lead does it', async () => {
    show(<FiguresToConfirm page={pageOf({ toConfirm: [{ ...figure, value: null }] })} />, {}, LEAD);
    expect(await screen.findByText(/: taken away$/)).toBeTruthy();
    expect(screen.queryByRole('button')).toBeNull();
    screen.unmount();
    show(<FiguresToConfirm page={pageOf({ toConfirm: [figure] })} />, {});
    expect(await screen.findByText('Figures to be confirmed')).toBeTruthy();
    expect(screen.queryByRole('button')).toBeNull();
  });
});

describe('what this unit has not got', () => {
  const exempt: UnitPage['notFitted'][number] = {
    ...{ check: 'sockets', why: 'Made without', by: 'Runa Veldt', at: '2030-03-04T09:00:00Z' },
  };

  test('a lead takes it back with how they know', async () => {
    const server = show(<NotOnThisUnit page={pageOf({ notFitted: [exempt] })} />, { [LOG]: taken }, LEAD);
    expect(await screen.findByText(/^Made without\. Runa Veldt, /)).toBeTruthy();
    await press(/^It has it after all/);
    type('How you know', 'Saw it under the cover');
    await press('Ask it again');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        ...{ kind: 'fitted-after-all', tag: 'GE-07' },
        facts: { check: 'sockets', why: 'Saw it under the cover' },
      }),
    );
  });

  test('anybody else only reads it', async () => {
    show(<NotOnThisUnit page={pageOf({ notFitted: [exempt] })} />, {});
    expect(await screen.findByText('Not on this unit')).toBeTruthy();
    expect(screen.queryByRole('button')).toBeNull();
  });
});
