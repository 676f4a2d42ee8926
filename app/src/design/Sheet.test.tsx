import { fireEvent, screen } from '@testing-library/react-native';
import { useState } from 'react';
import { press, show, type } from '@/testing/screen';
import { Button, Field, Sheet } from '@/design';

interface NoteProps {
  readonly onClose: () => void;
  readonly first?: string;
  readonly isSearch?: boolean;
}

function Note({ onClose, first = '', isSearch = false }: NoteProps) {
  const [text, setText] = useState(first);
  return (
    <Sheet title="A note" open onClose={onClose}>
      <Field label="Note" isSearch={isSearch} value={text} onChangeText={setText} />
      <Button label="Save" onPress={onClose} />
    </Sheet>
  );
}

describe('a sheet', () => {
  /** By its backdrop, or by its button. */
  const close = (which: 0 | 1) =>
    fireEvent.press(screen.getAllByRole('button', { name: 'Close' })[which] as ReturnType<typeof screen.getByText>);

  test('in which nothing was written closes at once, and so does one that was put back as it was', async () => {
    const onClose = jest.fn();
    show(<Note onClose={onClose} first="Loud" />, {});
    type('Note', 'Louder');
    type('Note', 'Loud');
    close(1);
    expect(onClose).toHaveBeenCalledTimes(1);
  });

  test('in which something was written asks, keeps it, and throws it away when told', async () => {
    const onClose = jest.fn();
    show(<Note onClose={onClose} />, {});
    type('Note', 'Loud');
    close(0);
    expect(screen.getByText('What you wrote is not saved.')).toBeTruthy();
    await press('Go on writing');
    expect(screen.queryByText('What you wrote is not saved.')).toBeNull();
    expect(screen.getByLabelText('Note').props['value']).toBe('Loud');
    expect(onClose).not.toHaveBeenCalled();
    close(1);
    await press('Throw it away');
    expect(onClose).toHaveBeenCalledTimes(1);
  });

  test('in which something was looked for closes at once', () => {
    const onClose = jest.fn();
    show(<Note onClose={onClose} isSearch />, {});
    type('Note', 'jet');
    close(1);
    expect(onClose).toHaveBeenCalledTimes(1);
  });

  test('what was saved is asked nothing', async () => {
    const onClose = jest.fn();
    show(<Note onClose={onClose} />, {});
    type('Note', 'Loud');
    await press('Save');
    expect(onClose).toHaveBeenCalledTimes(1);
  });
});
