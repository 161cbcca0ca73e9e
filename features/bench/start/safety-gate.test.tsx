import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import type { Job } from '@/core/case/schema';
import { replacePlatform } from '@/platform/ports';
import { open } from '../testing/panels';
import { ID, openShop, type Shop } from '../testing/shop';

let shop: Shop;
beforeEach(async () => {
  shop = await openShop();
});
afterEach(() => replacePlatform(null));

const AT = '2026-05-04T09:00:00.000Z';
const on = (job: Job): void =>
  shop.setJob({ id: ID(50), at: AT, job: { thicknessMm: 3, baseMetal: 'mild-steel', ...job } });
const say = (question: RegExp, answer: string): void => {
  fireEvent.click(within(screen.getByRole('radiogroup', { name: question })).getByRole('radio', { name: answer }));
};
const jobsSent = (): Job[] =>
  shop.sent.flatMap(({ kind, fields }) => (kind === 'correct-job' ? [(fields as { job: Job }).job] : []));
const figures = () => screen.queryByRole('button', { name: /^Use these figures/ });

describe('what a job suggests can hurt', () => {
  it('holds the figures until every question is answered, and loses none to quick hands', async () => {
    on({ workpiece: 'vehicle' });
    await open();
    expect(figures()).toBeNull();
    expect(screen.getByText('The figures wait until this is answered.')).toBeTruthy();
    // The server holds its answer back: all four are tapped before the record knows of the first.
    let release = (): void => undefined;
    shop.state.hold = new Promise((done) => (release = done));
    say(/sealed tube/, 'Nothing closed behind it');
    say(/airbag/, 'None of them near');
    say(/hydraulic/, 'No line near');
    say(/anyone be hurt/, 'Nobody could be hurt');
    await act(async () => release());
    shop.state.hold = null;
    await waitFor(() => expect(figures()).toBeTruthy());
    await waitFor(() => expect(jobsSent()).toHaveLength(4));
    expect(new Set(jobsSent()[3].ruledOut)).toEqual(
      new Set(['hidden-cavity', 'vehicle-near', 'hydraulic-line', 'code-work']),
    );
    expect(jobsSent().every(({ workpiece, thicknessMm }) => workpiece === 'vehicle' && thicknessMm === 3)).toBe(true);
  });

  it('stops at a yes with its reason, until that is said to be dealt with', async () => {
    on({ place: 'workshop', surface: ['paint'], ruledOut: ['code-work'] });
    await open();
    say(/paint old/, 'Old, or its kind not known');
    const done = await screen.findByRole('button', { name: /^Done: Tested free of lead/ });
    expect(screen.getAllByRole('alert')[0].textContent).toMatch(/^Stop\. Unknown old paint is lead/);
    expect(figures()).toBeNull();
    fireEvent.click(done);
    await waitFor(() => expect(figures()).toBeTruthy());
    await waitFor(() => expect(jobsSent()).toHaveLength(2));
    expect(jobsSent()[1]).toEqual(expect.objectContaining({ concerns: ['old-paint'], madeSafe: ['old-paint'] }));
  });

  it('holds back the moves of a bead too, zinc that was found later among them', async () => {
    on({ surface: ['zinc'], ruledOut: ['cadmium-or-lead', 'code-work'] });
    await open();
    for (const [name, figure] of [
      ['Volts', '15'],
      ['Wire speed', '9'],
      ['Stick-out', '12'],
      ['Gas flow', '12'],
    ] as const) {
      fireEvent.click(screen.getByRole('button', { name: new RegExp(`^${name}, `) }));
      fireEvent.change(screen.getByLabelText(new RegExp(`^${name}, `), { selector: 'input' }), {
        target: { value: figure },
      });
    }
    await waitFor(() => expect(figures()).toBeNull());
    expect(screen.queryByRole('heading', { name: 'Do this first' })).toBeNull();
    fireEvent.click(await screen.findByRole('button', { name: /^Done: Both faces stripped/ }));
    await screen.findByRole('heading', { name: 'Do this first' });
    await waitFor(() => expect(jobsSent()[0].stripped).toEqual(['zinc']));
  });

  it('asks one thing of a bracket in the workshop, once', async () => {
    on({ workpiece: 'plate', place: 'workshop' });
    await open();
    expect(figures()).toBeNull();
    say(/^Could anyone be hurt if it breaks/, 'Nobody could be hurt');
    await waitFor(() => expect(figures()).toBeTruthy());
    expect(screen.queryByText(/The figures wait/)).toBeNull();
    await waitFor(() => expect(jobsSent()[0].ruledOut).toEqual(['code-work']));
  });

  it('asks by the title of the coupon what that names', async () => {
    shop.setTitle('Lifting lug for hatch');
    on({ workpiece: 'plate', place: 'workshop', critical: 'trial' });
    await open();
    expect(figures()).toBeNull();
    expect(screen.getByText('"lifting" in the title: lifts or hangs a load.')).toBeTruthy();
    say(/anyone be hurt/, 'Somebody could be hurt');
    await screen.findByRole('button', { name: /^Done: Procedure, qualified welder/ });
    expect(figures()).toBeNull();
  });
});
