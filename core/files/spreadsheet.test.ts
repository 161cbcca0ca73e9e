import { csvOf } from './spreadsheet';

describe('a file for a spreadsheet', () => {
  it('has what would be worked out as a formula made harmless, and figures left as they are', () => {
    for (const text of ['=1+1', '+1', '@SUM(A1)', '-1+2', '\tx'])
      expect(csvOf([{ note: text }], 'point')).toMatch(/^note\n"?'/);
    for (const text of ['-2.5', '18', 'ropey', 'a=b', '6 @ 12'])
      expect(csvOf([{ note: text }], 'point')).toBe(`note\n${text}`);
  });

  it('parts its columns by what its figures leave free, and has every column that any row has', () => {
    const rows: Record<string, string>[] = [{ a: '1,5' }, { a: '2', b: 'x' }];
    expect(csvOf(rows, 'comma')).toBe('a;b\n1,5;\n2;x');
    expect(csvOf(rows, 'point')).toBe('a,b\n"1,5",\n2,x');
    expect(csvOf(rows, 'comma', false)).toBe('1,5;\n2;x');
  });
});
