import { act, render, screen, waitFor } from '@testing-library/react';
import { StartHere } from './StartHere';
import { press, type, Screen } from '../testing/panels';
import { OnBench, openShop, PatientWorker } from '../testing/shop';

beforeEach(openShop);

const MORE = 'How to run it';
const opened = () => (
  <>
    <StartHere onMore={() => undefined} />
    <Screen />
  </>
);

describe('what to start with, before the findings', () => {
  it('has its place before its figures are worked out: nothing under it slides away from a thumb', async () => {
    PatientWorker.waits = true;
    render(opened(), { wrapper: OnBench });
    await screen.findByRole('button', { name: MORE });
    expect(screen.queryByRole('button', { name: 'Use these figures' })).toBeNull();
    await waitFor(() => expect(PatientWorker.asked.length).toBeGreaterThan(0));
    act(() => PatientWorker.asked.forEach(({ reply }) => reply()));
    const [brief] = await screen.findAllByRole('button', { name: 'Use these figures' });
    expect(brief).toBeTruthy();
    expect(screen.getByRole('button', { name: MORE })).toBeTruthy();
  });

  it('says what is due on the rig, and nothing of what is in time', async () => {
    const { state } = await openShop();
    const known = { since: '2026-01-01T08:00:00.000Z', beads: 0, showing: 0, lives: [15, 15] };
    state.care = [
      { ...known, task: 'nozzle', arcMinutes: 40 },
      { ...known, task: 'liner', arcMinutes: 1 },
    ];
    render(opened(), { wrapper: OnBench });
    const due = await screen.findAllByText('Due on Dock set: clean the nozzle.');
    expect(due.length).toBeGreaterThan(0);
    expect(screen.getAllByText(/^40 min of arc since; here every 30 min, by the last 2 times\.$/).length).toBe(
      due.length,
    );
  });

  it('gives way once a figure is known', async () => {
    render(opened(), { wrapper: OnBench });
    await screen.findByRole('button', { name: MORE });
    press('Volts, not known');
    type('Volts, V', '18');
    expect(screen.queryByRole('button', { name: MORE })).toBeNull();
  });
});
