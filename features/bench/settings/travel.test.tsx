import { fireEvent, screen, waitFor } from '@testing-library/react';
import { platform, replacePlatform } from '@/platform/ports';
import { cell, open, press, type } from '../testing/panels';
import { openShop, type Shop } from '../testing/shop';

let shop: Shop;
beforeEach(async () => {
  shop = await openShop();
});
afterEach(() => replacePlatform(null));

describe('the travel speed', () => {
  const travel = (): string => cell(/^Travel speed, /);
  async function openTravel(): Promise<void> {
    await open();
    press(/^Wire speed, /);
    type('Wire speed, m/min', '7');
    press('Done');
    press(/^More settings/);
    press(/^Travel speed, /);
  }

  it('comes from a run and a watch with a start and a stop', async () => {
    let now = Date.parse('2026-05-04T10:00:00.000Z');
    await openTravel();
    const held = platform();
    replacePlatform({ ...held, now: () => new Date(now) });
    press('Start the watch');
    now += 20_000;
    press('Stop the watch');
    expect(travel()).toBe('Travel speed, 300 mm/min');
    expect(screen.getByRole('radio', { name: 'measured' }).getAttribute('aria-checked')).toBe('true');
    expect(screen.getByLabelText<HTMLInputElement>('Took or counted, s').value).toBe('20.0');
    // A longer run than was thought: the same time makes another pace.
    type('Run, mm', '150');
    expect(travel()).toBe('Travel speed, 450 mm/min');
  });

  it('comes from counted seconds, which are told from a watch, and refuses what cannot be', async () => {
    await openTravel();
    type('Took or counted, s', '25');
    expect(travel()).toBe('Travel speed, 240 mm/min');
    expect(screen.getByRole('radio', { name: 'counted' }).getAttribute('aria-checked')).toBe('true');
    expect(screen.queryByRole('radio', { name: 'off the knob' })).toBeNull();
    type('Took or counted, s', '0,2');
    expect(screen.getByRole('alert').textContent).toMatch(/half a second/);
    expect(travel()).toBe('Travel speed, 240 mm/min');
  });

  it('comes from a measured leg, and says when watch and leg cannot both be', async () => {
    await openTravel();
    type('Took or counted, s', '20');
    fireEvent.click(screen.getByRole('radio', { name: 'by leg' }));
    await waitFor(() => expect(screen.getByLabelText('Leg measured, mm')).toBeTruthy());
    type('Leg measured, mm', '5.3');
    expect(travel()).toMatch(/^Travel speed, (29|30)\d mm\/min$/);
    expect(screen.queryByRole('alert')).toBeNull();
    type('Leg measured, mm', '7');
    expect(screen.getByRole('alert').textContent).toMatch(
      /^The watch says 300 mm\/min, the leg 1[67]\d mm\/min: both cannot be/,
    );
    type('Leg measured, mm', '70');
    expect(screen.getAllByRole('alert')[0].textContent).toMatch(/A leg of 1 to 40 mm/);
  });
});

describe('the trim of a pulsed arc', () => {
  it('is asked for where the machine pulses, and nowhere else', async () => {
    await open();
    press(/^More settings/);
    expect(screen.getByRole('button', { name: /^Arc control/ })).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Pulse trim/ })).toBeNull();
  });

  it('takes figures under and over the middle', async () => {
    shop.setup.rig = { ...shop.setup.rig, mode: 'pulse' };
    await open();
    press(/^More settings/);
    press('Pulse trim, not known');
    press('Pulse trim up');
    expect(cell(/^Pulse trim, /)).toBe('Pulse trim, 0 %');
    press('Pulse trim down');
    expect(cell(/^Pulse trim, /)).toBe('Pulse trim, -5 %');
    type('Pulse trim, %', '-12');
    expect(cell(/^Pulse trim, /)).toBe('Pulse trim, -12 %');
  });
});
