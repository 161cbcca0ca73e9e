import { workpieceOfTitle } from './workpiece-of-title';

describe('what a title says the weld is part of', () => {
  it.each([
    ['Old fuel tank', 'tank'],
    ['Two oil drums, lids', 'tank'],
    ['Trailer drawbar', 'vehicle'],
    ['Digger bucket lip', 'machinery'],
    ['Landing stairs', 'structure'],
    ['Lock gate', 'tube'],
    ['TANK bracket on the van', 'tank'],
  ])('%s: %s', (title, workpiece) => {
    expect(workpieceOfTitle(title)).toBe(workpiece);
  });

  it.each(['', 'Carpet rail bracket', 'Vanity plate', 'Impressed washer', 'Trial coupon'])(
    'nothing of "%s"',
    (title) => {
      expect(workpieceOfTitle(title)).toBeNull();
    },
  );
});
