import { fireEvent, render, screen } from '@testing-library/react-native';
import { Keypad, press } from './Keypad';

describe('figures on the keypad', () => {
  test.each([
    ['12', '3', '123'],
    ['', '.', '0.'],
    ['12.', '.', '12.'],
    ['12.3', '4', '12.3'],
    ['12.3', '⌫', '12.'],
    ['', '⌫', ''],
    ['99999', '9', '99999'],
  ])('%s then %s is %s', (before, key, after) => {
    expect(press(before, key)).toBe(after);
  });

  test('a tag takes no point and four figures', () => {
    expect(press('12', '.', 0, 4)).toBe('12');
    expect(press('1234', '5', 0, 4)).toBe('1234');
  });

  test('pressing tells what the figures are then', () => {
    const onChange = jest.fn();
    render(<Keypad value="66" onChange={onChange} />);
    fireEvent.press(screen.getByLabelText('8'));
    fireEvent.press(screen.getByLabelText('Delete last figure'));
    expect(onChange.mock.calls).toEqual([['668'], ['6']]);
  });
});
