import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { replacePlatform } from '@/platform/ports';
import { GLOVE_MS } from '@/ui/use-glove';
import { FindingsPanel } from './FindingsPanel';
import { OnBench, openShop } from '../testing/shop';

describe('the findings', () => {
  // The clock stands between taps, however slow the machine is that runs this.
  const began = performance.now();
  let passed = 0;
  beforeEach(async () => {
    await openShop();
    jest.spyOn(performance, 'now').mockImplementation(() => began + passed);
  });
  afterEach(() => {
    jest.restoreAllMocks();
    replacePlatform(null);
  });
  /** A tap with a breath before it, as a hand makes them. */
  const tap = (on: HTMLElement): void => {
    passed += 2 * GLOVE_MS;
    fireEvent.click(on);
  };
  const undercut = () => screen.getByLabelText(/^Undercut: /);
  const said = (): string => undercut().getAttribute('aria-label')!;
  async function open(): Promise<void> {
    render(<FindingsPanel wide={false} searchField={{ current: null }} />, { wrapper: OnBench });
    tap(await screen.findByRole('tab', { name: 'See' }));
    await waitFor(() => undercut());
  }

  it('are seen by a tap, and never turned round by a bounce', async () => {
    await open();
    expect(said()).toBe('Undercut: not looked');
    tap(undercut());
    fireEvent.click(undercut());
    fireEvent.click(undercut());
    await waitFor(() => expect(said()).toBe('Undercut: seen'));
    tap(undercut());
    await waitFor(() => expect(said()).toBe('Undercut: not looked'));
  });

  it('are said not to be there on purpose alone', async () => {
    await open();
    tap(screen.getByRole('radio', { name: 'Not there' }));
    tap(undercut());
    await waitFor(() => expect(said()).toBe('Undercut: not there'));
    // Another way of looking begins with what is seen again.
    tap(screen.getByRole('tab', { name: 'See' }));
    tap(undercut());
    await waitFor(() => expect(said()).toBe('Undercut: seen'));
  });
});
