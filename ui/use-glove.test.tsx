import { fireEvent, render, screen } from '@testing-library/react';
import { Button, Toggle } from './Press';
import { GLOVE_MS } from './use-glove';

describe('the second tap of a glove', () => {
  let now = 0;
  beforeEach(() => {
    now = 1000;
    jest.spyOn(performance, 'now').mockImplementation(() => now);
  });
  afterEach(() => jest.restoreAllMocks());
  const tapAt = (ms: number): void => {
    now = 1000 + ms;
    fireEvent.click(screen.getByLabelText('Run'));
  };

  it.each([
    ['a button', (act: () => void) => <Button counts label="Run" onPress={act} />],
    ['a chip', (act: () => void) => <Toggle counts label="Run" spoken="Run" on={false} onPress={act} />],
  ])('is none on %s, whatever came of the first meanwhile', (_, control) => {
    const act = jest.fn();
    const { rerender } = render(control(act));
    tapAt(0);
    rerender(control(act));
    tapAt(GLOVE_MS - 1);
    expect(act).toHaveBeenCalledTimes(1);
    // A third bounce is counted from the second, and a tap of its own counts.
    tapAt(2 * GLOVE_MS - 2);
    expect(act).toHaveBeenCalledTimes(1);
    tapAt(3 * GLOVE_MS - 2);
    expect(act).toHaveBeenCalledTimes(2);
  });

  it('counts where a step is meant to be tapped again and again', () => {
    const act = jest.fn();
    render(<Button label="Run" onPress={act} />);
    [0, 50, 100].forEach(tapAt);
    expect(act).toHaveBeenCalledTimes(3);
  });
});
