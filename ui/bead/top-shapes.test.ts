import { SOUND_BEAD } from '@/core/bead/appearance';
import { topMarkup, topShapes } from './top-shapes';

const FIELD = { length: 30, height: 16 };
const bead = (over: Partial<typeof SOUND_BEAD>) => ({ ...SOUND_BEAD, ...over });

describe('a bead from above, shape by shape', () => {
  it('has a shape only for what is there', () => {
    const plain = topShapes(bead({ spatter: 0 }), FIELD).length;
    for (const over of [
      { gapMm: 1 },
      { tint: 'soot' as const },
      { coldLap: 0.6 },
      { undercut: 0.6 },
      { holes: 'scattered' as const },
      { crack: 'centre' as const },
      { fume: 0.8 },
    ])
      expect(topShapes(bead({ spatter: 0, ...over }), FIELD)).toHaveLength(plain + 1);
  });

  it('is the same as text: every shape once, with every attribute it has', () => {
    const shapes = topShapes(bead({ tint: 'blue', coldLap: 0.6, fume: 1, holes: 'crater' }), FIELD);
    const holder = document.createElement('div');
    holder.innerHTML = topMarkup(bead({ tint: 'blue', coldLap: 0.6, fume: 1, holes: 'crater' }), FIELD);
    const paths = Array.from(holder.querySelectorAll('path'));
    expect(paths.map((path) => path.getAttribute('d'))).toEqual(shapes.map(({ d }) => d));
    expect(paths.map((path) => path.attributes.length)).toEqual(shapes.map((shape) => Object.keys(shape).length));
    expect(paths[1].getAttribute('stroke-linejoin')).toBe('round');
    expect(holder.querySelector('svg')!.getAttribute('viewBox')).toBe('0 0 30 16');
  });
});
