import { focusManager } from '@tanstack/react-query';
import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { HABITS, walkOn } from '@/client/stored/device-state';
import { replacePlatform } from '@/platform/ports';
import { store, stored } from '@/platform/stored';
import { cell, open, press, Screen, type } from './testing/panels';
import { ID, OnBench, openShop, PatientWorker, type Shop } from './testing/shop';

let shop: Shop;
beforeEach(async () => {
  shop = await openShop();
});
afterEach(() => replacePlatform(null));

describe('a setting', () => {
  it('is not known until it is turned or typed, and can be made so again', async () => {
    await open();
    expect(cell(/^Volts/)).toBe('Volts, not known');
    press('Volts, not known');
    press('Volts up');
    expect(cell(/^Volts, /)).toMatch(/^Volts, 18(\.\d)? V$/);
    press('Volts up');
    press('Volts down');
    press('Volts down');
    expect(cell(/^Volts, /)).toBe('Volts, 17.8 V');
    type('Volts, V', '16,5');
    expect(cell(/^Volts, /)).toBe('Volts, 16.5 V');
    press('Not known');
    expect(cell(/^Volts, /)).toBe('Volts, not known');
  });

  it('keeps what cannot be taken as typed, says what is taken, and is not logged so', async () => {
    await open();
    press(/^Wire speed, /);
    type('Wire speed, m/min', '7.5');
    type('Wire speed, m/min', '75');
    expect(screen.getByRole('alert').textContent).toMatch(/^Wire speed takes 0.5 to 30 m\/min/);
    expect(screen.getByLabelText<HTMLInputElement>('Wire speed, m/min').value).toBe('75');
    expect(cell(/^Wire speed, /)).toBe('Wire speed, 7.5 m/min');
    expect(screen.getByRole('button', { name: /^Log bead/ }).getAttribute('aria-disabled')).toBe('true');
    type('Wire speed, m/min', '7.');
    expect(screen.queryByRole('alert')).toBeNull();
    expect(screen.getByLabelText<HTMLInputElement>('Wire speed, m/min').value).toBe('7.');
  });

  it('is typed and shown in inches by one who reads those', async () => {
    store(HABITS, { ...stored(HABITS), units: 'inch' });
    await open();
    press(/^Wire speed, /);
    type('Wire speed, in/min', '300');
    expect(cell(/^Wire speed, /)).toBe('Wire speed, 300 in/min');
    press('Wire speed up');
    expect(cell(/^Wire speed, /)).toBe('Wire speed, 305 in/min');
  });

  it('says how it was got, and a guess is kept as one', async () => {
    await open();
    press(/^Volts, /);
    expect(screen.queryByRole('radio', { name: 'a guess' })).toBeNull();
    type('Volts, V', '17');
    fireEvent.click(screen.getByRole('radio', { name: 'a guess' }));
    expect(screen.getByRole('radio', { name: 'a guess' }).getAttribute('aria-checked')).toBe('true');
    expect(screen.getByRole('radio', { name: 'measured' }).getAttribute('aria-checked')).toBe('false');
  });

  it('of the gun leans by a choice, not by a sign', async () => {
    await open();
    press(/^More settings/);
    press(/^Gun angle, /);
    type('Gun angle, °', '20');
    expect(cell(/^Gun angle, /)).toContain('push');
    fireEvent.click(screen.getByRole('radio', { name: 'drag' }));
    expect(cell(/^Gun angle, /)).toContain('drag');
    type('Gun angle, °', '15');
    expect(cell(/^Gun angle, /)).toContain('drag');
    press('Done');
    expect(screen.queryByLabelText('Gun angle, °')).toBeNull();
    press('Fewer settings');
    expect(screen.queryByRole('button', { name: /^Gun angle/ })).toBeNull();
  });
});

describe('the verdict', () => {
  it('begins with what to start with, and takes it over', async () => {
    await open();
    press('Use these figures');
    await waitFor(() => expect(screen.queryByText('Start with')).toBeNull());
    expect(cell(/^Volts, /)).not.toContain('not known');
    expect(cell(/^Gas flow, /)).toBe('Gas flow, 11.5 L/min');
    expect(screen.queryByText('No knob to turn yet')).toBeNull();
  });

  const typeFigures = (volts: string, wire: string): void => {
    for (const [label, figure] of [
      ['Volts, V', volts],
      ['Wire speed, m/min', wire],
      ['Stick-out, mm', '10'],
      ['Gas flow, L/min', '11'],
    ]) {
      press(new RegExp(`^${label.split(',')[0]}, `));
      type(label, figure);
    }
  };

  it('offers the other way round where the plate stands both, with what it does', async () => {
    shop.setPlates(2);
    await open();
    typeFigures('17.5', '6.5');
    expect(await screen.findByText(/^(Either will do: or|Or) the other way$/)).toBeTruthy();
    expect(screen.getByText(/^Volts up: 17\.5 → /)).toBeTruthy();
    expect(screen.getByText(/^Then \d+ A instead of \d+ A: hotter, more metal\.$/)).toBeTruthy();
  });

  it('says what to turn, from where to where, why not the other way round, and takes it', async () => {
    await open();
    typeFigures('16.5', '7.5');
    await screen.findByText('Volts up');
    const [turn] = screen.getAllByText(/^16\.5 → [\d.]+ V$/);
    expect(turn).toBeTruthy();
    expect(screen.getByText(/^Turning the wire instead .*too cold for this plate/)).toBeTruthy();
    expect(screen.queryByText('Or the other way')).toBeNull();
    const to = /→ ([\d.]+) V/.exec(turn.textContent)![1];
    press('I turned it: use these figures');
    expect(cell(/^Volts, /)).toBe(`Volts, ${to} V`);
    press('Undo');
    expect(cell(/^Volts, /)).toBe('Volts, 16.5 V');
  });

  it('asks for looks at the rig before the first bead, which are ticked and taken back', async () => {
    await open();
    const nozzle = (name: string) =>
      within(screen.getByRole('radiogroup', { name: 'Look into the nozzle' })).getByLabelText(
        `Look into the nozzle: ${name}`,
      );
    const [CLEAR, BLOCKED] = ['Nozzle and gas holes clear', 'Spatter in it, or holes shut'];
    // The all-clear comes first, as everywhere, and no look takes a bare yes.
    expect(
      within(screen.getByRole('radiogroup', { name: 'Look into the nozzle' }))
        .getAllByRole('radio')
        .map((radio) => radio.textContent),
    ).toEqual([CLEAR, BLOCKED]);
    expect(screen.queryByLabelText(/: (yes|no|fine|not right)$/i)).toBeNull();
    fireEvent.click(nozzle(BLOCKED));
    await screen.findByText('Clean or change the nozzle, clear the diffuser holes.');
    fireEvent.click(nozzle(CLEAR));
    await waitFor(() => expect(screen.queryByText('Clean or change the nozzle, clear the diffuser holes.')).toBeNull());
    // What is settled gives way, and can be looked through again.
    expect(screen.queryByRole('radiogroup', { name: 'Look into the nozzle' })).toBeNull();
    expect(Object.keys(stored(walkOn(ID(3))))).toEqual(['check-nozzle']);
    fireEvent.click(screen.getByRole('checkbox', { name: 'Those found fine, 1' }));
    expect(nozzle(CLEAR).getAttribute('aria-checked')).toBe('true');
    fireEvent.click(nozzle(CLEAR));
    await waitFor(() => expect(nozzle(CLEAR).getAttribute('aria-checked')).toBe('false'));
    expect(stored(walkOn(ID(3)))).toEqual({});
    // Once a bead is run, what it shows is asked about.
    press('Log bead 1');
    await waitFor(() => expect(screen.queryByRole('region', { name: 'Before the first bead' })).toBeNull());
    await waitFor(() => expect(shop.beads.map(({ findings }) => findings)).toEqual([{}]));
  });

  it('asks what would tell the most, and takes the answer', async () => {
    await open();
    press('Log bead 1');
    await screen.findAllByLabelText(/: Seen$/);
    const log = await screen.findByRole('button', { name: 'Log bead 2' });
    const [first] = screen.getAllByLabelText(/: Seen$/);
    const name = first.getAttribute('aria-label')!;
    fireEvent.click(first);
    await waitFor(() => expect(screen.queryByLabelText(name)).toBeNull());
    await waitFor(() => expect(log.getAttribute('aria-disabled')).not.toBe('true'));
    press('Log bead 2');
    await waitFor(() => expect(Object.values(shop.beads[1]?.findings ?? {})).toEqual(['present']));
  });

  it('opens a cause to what speaks for and against it, and what to do', async () => {
    await open();
    press(/^Volts, /);
    type('Volts, V', '15');
    press(/^Wire speed, /);
    type('Wire speed, m/min', '8');
    const [cause] = await screen.findAllByRole('button', { name: /\d+ %/ });
    expect(screen.queryByText('For it')).toBeNull();
    fireEvent.click(cause);
    expect(screen.getByText('For it')).toBeTruthy();
    expect(screen.getByText(/^To be sure: /)).toBeTruthy();
    fireEvent.click(cause);
    expect(screen.queryByText('For it')).toBeNull();
  });
});

describe('Log', () => {
  const isOff = (name: RegExp): boolean =>
    screen.getByRole('button', { name }).getAttribute('aria-disabled') === 'true';

  it('can be pressed before the verdict is there, and holds on until it is', async () => {
    PatientWorker.waits = true;
    render(<Screen />, { wrapper: OnBench });
    await screen.findByRole('button', { name: 'Log bead 1' });
    expect(isOff(/^Log bead/)).toBe(false);
    press('Log bead 1');
    expect(isOff(/^Saving/)).toBe(true);
    // What is asked after this is answered at once.
    PatientWorker.waits = false;
    act(() => PatientWorker.asked[0].reply());
    await waitFor(() => expect(shop.beads).toHaveLength(1));
    await screen.findByRole('button', { name: 'Log bead 2' });
  });

  it('cannot where there will be no verdict; what was pressed before logs nothing', async () => {
    PatientWorker.waits = true;
    render(<Screen />, { wrapper: OnBench });
    await screen.findByRole('button', { name: 'Log bead 1' });
    press('Log bead 1');
    act(() => PatientWorker.asked[0].refuse('outside what the model holds for'));
    expect(isOff(/^Log bead 1/)).toBe(true);
    await act(() => new Promise((later) => setTimeout(later, 30)));
    expect(shop.sent).toEqual([]);
  });
});

describe('after a bead is logged', () => {
  it('asks how it was: the first one only whether it is sound, the next against the one before', async () => {
    await open();
    expect(screen.queryByRole('group', { name: /is logged/ })).toBeNull();
    press('Log bead 1');
    await screen.findByText('Bead 1 is logged. How was it?');
    expect(screen.queryByRole('button', { name: 'better' })).toBeNull();
    const log = await screen.findByRole('button', { name: 'Log bead 2' });
    await waitFor(() => expect(log.getAttribute('aria-disabled')).not.toBe('true'));
    press('Log bead 2');
    await screen.findByText('Bead 2 is logged. Against bead 1?');
    press('better');
    await waitFor(() => expect(shop.beads[1].outcome).toBe('better'));
    await waitFor(() => expect(screen.queryByRole('group', { name: /is logged/ })).toBeNull());
  });

  it('asks nothing of a bead that another device logged meanwhile: nothing slides in under the hands', async () => {
    await open();
    const judgement = { outcome: null, takenBack: false, note: '', verdict: null, move: null, appearance: null };
    const logged = { id: ID(40), couponId: ID(1), setupId: ID(2), jobId: ID(4), number: 1, revision: 2, ...judgement };
    shop.beads.push({ ...logged, settings: {}, readings: {}, findings: {}, names: {}, schools: {} } as never);
    act(() => focusManager.setFocused(false));
    act(() => focusManager.setFocused(true));
    await screen.findByRole('button', { name: 'Log bead 2' });
    expect(screen.queryByText(/is logged/)).toBeNull();
  });
});
