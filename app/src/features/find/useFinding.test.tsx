import type { FindingRecord } from '@hudrik/core/contracts';
import { screen, waitFor } from '@testing-library/react-native';
import { useQueryClient } from '@tanstack/react-query';
import { Text } from 'react-native';
import { Button } from '@/design';
import { LOG, taken } from '@/testing/cardReply';
import { IVO, press, show } from '@/testing/screen';
import { useFinding } from './useFinding';

const ID = '6f1f6a52-1f0e-4f5e-9a55-0c9b2f6f0009';
const record = (more: Partial<FindingRecord> = {}): FindingRecord => ({
  id: ID,
  tag: 'GE-07',
  machine: { engine: {}, past: {} },
  limits: null,
  openedAt: '2030-03-04T08:00:00Z',
  openedBy: 'Maren Askild',
  closedAt: null,
  causes: null,
  jobId: null,
  edition: 'now',
  version: 1,
  entries: [],
  ...more,
});

function Shown() {
  const { finding } = useFinding('GE-07');
  const client = useQueryClient();
  return (
    <>
      <Text>{finding === null ? 'nothing' : `${finding.id} ${finding.closedAt === null ? 'open' : 'closed'}`}</Text>
      <Button label="Ask again" onPress={() => void client.invalidateQueries()} />
    </>
  );
}

describe('a finding that somebody else began', () => {
  const closing = { closedAt: '2030-03-04T09:00:00Z', causes: ['coil-failed'] };
  const yard = () => {
    let open: FindingRecord | null = record();
    return {
      close: () => void (open = null),
      replies: {
        'GET /api/units/GE-07/finding': () => ({ finding: open }),
        [`GET /api/findings/${ID}`]: () => record(closing),
        [LOG]: taken,
      },
    };
  };

  test('is shown as found once it is closed, and no other is begun by itself', async () => {
    const { close, replies } = yard();
    const server = show(<Shown />, replies);
    expect(await screen.findByText(`${ID} open`)).toBeTruthy();
    close();
    await press('Ask again');
    expect(await screen.findByText(`${ID} closed`)).toBeTruthy();
    expect(server.sent).toEqual([]);
  });

  test('who only looks goes on with nothing', async () => {
    const { close, replies } = yard();
    const server = show(<Shown />, replies, { ...IVO, role: 'counter' });
    expect(await screen.findByText(`${ID} open`)).toBeTruthy();
    close();
    await press('Ask again');
    await waitFor(() => expect(screen.getByText('nothing')).toBeTruthy());
    expect(server.sent).toEqual([]);
  });
});
