import type { Defect } from '@hudrik/core/contracts';
import { sampleDefect } from '@hudrik/core/contracts/samples';
import { checksOf, classOf, folderOf } from '@hudrik/core/catalogue';
import { proofOfEntries } from '@hudrik/core/proof';
import { fireEvent, screen } from '@testing-library/react-native';
import { useState } from 'react';
import { press, show, type } from '@/testing/screen';
import { SignLine, type SaidOf } from './SignLine';

const { proof: plan } = folderOf('generator');
const proof = proofOfEntries(
  [],
  { plan, needs: ['load'], looks: [], minutes: 20, unbroken: false },
  '2030-03-04T09:00:00Z',
);
const measured = checksOf(classOf('generator')).find((check) => check.measured !== undefined);

function shown(defect: Defect): { readonly said: () => SaidOf | null } {
  let now: SaidOf | null = null;
  function Kept() {
    const [said, setSaid] = useState<SaidOf | null>(null);
    now = said;
    return <SignLine defect={defect} proof={proof} classId="generator" said={said} onSay={setSaid} />;
  }
  show(<Kept />, {});
  return { said: () => now };
}

describe('one thing that was wrong, at the signature', () => {
  test('is in order now, or stays open and says what follows', async () => {
    const line = shown(sampleDefect());
    fireEvent.press(screen.getByRole('checkbox', { name: 'A socket is broken or burnt.' }));
    expect(line.said()).toEqual({ what: 'right' });
    await press('Still not right: A socket is broken or burnt.');
    expect(line.said()).toEqual({ what: 'open' });
    expect(screen.getByText(/^It stays with the unit: it is not fit/)).toBeTruthy();
    await press('Still not right: A socket is broken or burnt.');
    expect(line.said()).toEqual({ what: null });
  });

  test('found by a number, it is closed by a number, with a comma or a point; half a number is none', () => {
    const line = shown(
      sampleDefect({ sentence: 'Out.', origin: { kind: 'check', id: measured?.id ?? '', exception: 'low' } }),
    );
    fireEvent.press(screen.getByRole('checkbox', { name: 'Out.' }));
    const unit = measured?.measured?.unit ?? '';
    type(`Measured now, ${unit}`, '61,5');
    expect(line.said()).toEqual({ what: 'right', reading: { value: 61.5, unit } });
    type(`Measured now, ${unit}`, '61,');
    expect(line.said()).toEqual({ what: 'right' });
  });

  test('told and without a cause, it was not found or it stays: nothing was put right', async () => {
    const line = shown(sampleDefect({ sentence: 'It dies.', origin: { kind: 'told', id: 'dies' } }));
    expect(screen.getByText('It dies. No cause was confirmed for it.')).toBeTruthy();
    expect(screen.queryByRole('checkbox')).toBeNull();
    await press('Not found: It dies.');
    expect(line.said()).toEqual({ what: 'not-found' });
  });

  test('told and explained, it says by what', () => {
    shown(sampleDefect({ origin: { kind: 'told', id: 'dies' }, causes: ['main-jet-blocked'] }));
    expect(screen.getByText('Explained by: Main jet blocked.')).toBeTruthy();
    expect(screen.getByRole('checkbox')).toBeTruthy();
  });
});
