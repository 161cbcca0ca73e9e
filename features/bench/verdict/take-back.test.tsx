import { render, screen, waitFor } from '@testing-library/react';
import type { Bead } from '@/core/record/shapes/record-schema';
import { replacePlatform } from '@/platform/ports';
import { Button } from '@/ui/Press';
import { useBenchActions } from '../state/bench';
import { TakeBack } from './TakeBack';
import { VerdictPeek } from './VerdictPeek';
import { press } from '../testing/panels';
import { ID, OnBench, openShop, type Shop } from '../testing/shop';

let shop: Shop;
beforeEach(async () => {
  shop = await openShop();
});
afterEach(() => replacePlatform(null));

const bead = (number: number, settings: Bead['settings'], fields: Partial<Bead>): Bead => ({
  ...{ id: ID(50 + number), couponId: ID(1), setupId: ID(2), jobId: ID(4), number, revision: 1, takenBack: false },
  ...{ ranAt: `2026-05-04T09:0${number}:00.000Z`, readings: {}, schools: {}, findings: {}, names: {} },
  ...{ verdict: null, move: null, appearance: null, judgedBy: null, note: '', outcome: null },
  settings: { wireSpeedMPerMin: 6, stickOutMm: 10, ...settings },
  ...fields,
});
const region = (name: string): Promise<HTMLElement> => screen.findByRole('region', { name });
const gone = (name: string): Promise<void> => waitFor(() => expect(screen.queryByRole('region', { name })).toBeNull());

/** Taps a finding of the bead that is next. */
function TapFlat() {
  const { tap } = useBenchActions();
  return <Button label="Tap flat" onPress={() => tap('bead-flat')} />;
}

async function worse(volts: [was: number, became: number], findings: Bead['findings']): Promise<HTMLElement> {
  shop.beads.push(bead(1, { voltageV: volts[0] }, { findings }), bead(2, { voltageV: volts[1] }, { outcome: 'worse' }));
  render(
    <>
      <TakeBack />
      <VerdictPeek open={false} onPress={() => undefined} />
      <TapFlat />
    </>,
    { wrapper: OnBench },
  );
  return region('Take back first');
}

describe('a bead that came out worse', () => {
  it('has its change taken back by one press, and then the bead before is asked about again', async () => {
    const back = await worse([18, 21], {});
    expect(back.textContent).toContain('Bead 2 was worse than bead 1');
    expect(back.textContent).toContain('Volts down21 → 18 V');
    // The foot says the same, and nothing else to turn.
    expect(await screen.findByText('Take back first what made it worse')).toBeTruthy();
    press('Taken back: use these figures');
    await gone('Take back first');
    expect((await region('Another way')).textContent).toContain(
      'With what that change did, bead 1 shows nothing clear',
    );
  });

  it('is followed by another way: not more volts again, but less wire, and then nothing more is asked', async () => {
    // Sheet stands less wire; what it would leave too cold is given none.
    shop.setPlates(2);
    await worse([17.5, 19.2], { 'bead-ropey': 'present', 'sound-popping': 'present' });
    press('Taken back: use these figures');
    const way = await region('Another way');
    expect(way.textContent).toMatch(/Less wire6 → 4\.\d m\/min/);
    expect(way.textContent).not.toMatch(/More volts/);
    expect(screen.getByText('Another way: see above')).toBeTruthy();
    expect(screen.queryByText(/volts up/i)).toBeNull();
    press('Use this way');
    await gone('Another way');
    expect(screen.queryByRole('region', { name: 'Take back first' })).toBeNull();
    expect(screen.queryByText(/see above/)).toBeNull();
  });

  it('is followed by a look where no other way is left that the plate fuses by', async () => {
    await worse([17.5, 19.2], { 'bead-ropey': 'present', 'sound-popping': 'present' });
    press('Taken back: use these figures');
    const way = await region('Another way');
    expect(way.textContent).toMatch(/Nothing else to turn\. Look first: /);
    expect(way.textContent).not.toMatch(/Less wire/);
  });

  it('offers no other way once the next bead is looked at: that one speaks for itself', async () => {
    await worse([17.5, 19.2], { 'bead-ropey': 'present', 'sound-popping': 'present' });
    press('Taken back: use these figures');
    await region('Another way');
    press('Tap flat');
    await gone('Another way');
    expect(screen.queryByText(/see above/)).toBeNull();
  });
});
