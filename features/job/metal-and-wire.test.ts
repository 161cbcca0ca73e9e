import { metalAgainstWire } from './metal-and-wire';

const rig = (wireClass?: 'solid-steel' | 'solid-aluminium' | 'tubular-self-shielded') => ({
  name: 'Dock set',
  wire: wireClass === undefined ? undefined : { class: wireClass, diameterMm: 0.9 },
});

describe('a metal beside the wire of a rig', () => {
  it('is said to be wrong where the wire is of another, with what then', () => {
    expect(metalAgainstWire('aluminium', rig('solid-steel'))).toBe(
      'Dock set has a wire of mild steel, which cracks on aluminium or does not fuse: take another rig, or change its wire.',
    );
    expect(metalAgainstWire('mild-steel', rig('solid-aluminium'))).toMatch(/a wire of aluminium/);
    expect(metalAgainstWire('stainless', rig('tubular-self-shielded'))).toMatch(/a wire of mild steel/);
  });

  it('is nothing where they go together, or one is not known', () => {
    expect(metalAgainstWire('mild-steel', rig('tubular-self-shielded'))).toBeNull();
    expect(metalAgainstWire('aluminium', rig('solid-aluminium'))).toBeNull();
    expect(metalAgainstWire(null, rig('solid-steel'))).toBeNull();
    expect(metalAgainstWire('aluminium', rig())).toBeNull();
  });
});
