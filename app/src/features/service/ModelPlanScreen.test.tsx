import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { ModelPlan } from '@hudrik/core/contracts';
import { IVO, press, refusal, show } from '@/testing/screen';
import { ModelPlanScreen } from './ModelPlanScreen';
import { planOfTyped, typedOf, wrongField } from './planDraft';

const LEAD = { ...IVO, role: 'lead' } as const;
const reply = (more: Partial<ModelPlan> = {}): ModelPlan => ({
  model: { id: 3, classId: 'generator', make: 'Tuvellan', name: 'Lantern 5' },
  version: 1,
  own: { severity: 1, anchorMonth: null, items: [] },
  items: [],
  ...more,
});
const PLAN = 'GET /api/models/3/service-plan';
const CHANGE = 'PUT /api/models/3/service-plan';
const enter = (label: string, text: string) => fireEvent.changeText(screen.getByLabelText(label), text);

describe('a model’s own service plan', () => {
  test('what is entered is sent, the rest stays as its class has it', async () => {
    const server = show(<ModelPlanScreen id="3" />, { [PLAN]: reply(), [CHANGE]: reply({ version: 2 }) }, LEAD);
    expect(await screen.findByText('As its class has it. What you enter here comes before that.')).toBeTruthy();
    enter('Engine oil: Every hours', '100');
    enter('Engine oil: Every months', '-');
    enter('Plug: kit', 'TV-9');
    await press('Dust and heat');
    await press('Apr');
    await press('Keep as a new version');
    await waitFor(() =>
      expect(server.sent[0]?.body).toEqual({
        seenVersion: 1,
        plan: {
          severity: 0.5,
          anchorMonth: 4,
          items: [
            { id: 'engine-oil', hours: 100, months: null },
            { id: 'plug', kit: 'TV-9' },
          ],
        },
      }),
    );
  });

  test('what cannot be read is said at its field; what the server refuses by its item', async () => {
    const facts = { field: 'plug', why: 'no-interval' };
    show(<ModelPlanScreen id="3" />, { [PLAN]: reply(), [CHANGE]: refusal(422, 'not-valid', facts) }, LEAD);
    await screen.findByText('Service of Tuvellan Lantern 5');
    enter('Plug: Every hours', '-5');
    expect(screen.getByText('A figure cannot be read.')).toBeTruthy();
    enter('Plug: Every hours', '-');
    await press('Keep as a new version');
    expect(await screen.findByText('Plug needs hours or months.')).toBeTruthy();
  });

  test('who is no lead reads it', async () => {
    const own = { severity: 0.7, anchorMonth: 10, items: [{ id: 'plug', hours: 80 }] };
    show(<ModelPlanScreen id="3" />, { [PLAN]: reply({ version: 3, own }) });
    expect(await screen.findByText(/^Version 3\./)).toBeTruthy();
    expect(screen.queryByText('Keep as a new version')).toBeNull();
  });

  test('an item that says nothing is none; a decimal comma is a point', () => {
    const own = { severity: 1, anchorMonth: null, items: [{ id: 'plug', includes: ['breather'] }] };
    const typed = { plug: { ...typedOf(own, 'plug'), hours: '12,5' }, 'engine-oil': typedOf(own, 'engine-oil') };
    expect(planOfTyped({ own }, typed, 1, null).items).toEqual([{ id: 'plug', hours: 12.5, includes: ['breather'] }]);
    expect(wrongField({ ...typedOf(own, 'plug'), minutes: 'ten' })).toBe('minutes');
  });
});
