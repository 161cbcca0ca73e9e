import { StartError } from '../errors/start-error';
import { litestreamProgram, notesBeside, progressIn } from './litestream';
import { copyPlace, placeText, placeWords } from './place';

const KEY = { COPY_KEY_ID: 'keeper', COPY_KEY_SECRET: 'secret' };
const OBJECTS = 's3://yard/copies/?endpoint=https%3A%2F%2Fobjects.example%3A9000&region=here';

describe('where copies go', () => {
  it('is a folder', () => {
    expect(copyPlace('/mnt/other')).toEqual({ folder: '/mnt/other' });
    expect(copyPlace('copies')).toEqual({ folder: expect.stringMatching(/^\/.*\/copies$/) });
    for (const folder of ['/mnt/other', '/mnt/a b'])
      expect(copyPlace(placeText(copyPlace(folder)))).toEqual({ folder });
  });

  it('is an object store, its key kept out of its address and of what is said', () => {
    const place = copyPlace(OBJECTS, 'COPY_TO', KEY);
    expect(place).toEqual({
      ...{ bucket: 'yard', path: 'copies', endpoint: 'https://objects.example:9000', region: 'here' },
      ...{ keyId: 'keeper', keySecret: 'secret' },
    });
    expect(placeWords(place)).toBe('s3://yard/copies at objects.example:9000');
    expect(placeText(place)).not.toContain('secret');
    expect(copyPlace(placeText(place), 'COPY_TO', KEY)).toEqual(place);
    const whole = copyPlace('s3://yard?endpoint=http://localhost:9000', 'COPY_TO', KEY);
    expect(whole).toEqual(expect.objectContaining({ path: '', endpoint: 'http://localhost:9000' }));
    expect(copyPlace(placeText(whole), 'COPY_TO', KEY)).toEqual(whole);
    for (const env of [{}, { COPY_KEY_ID: 'keeper' }, { ...KEY, COPY_KEY_SECRET: '' }])
      expect(() => copyPlace(OBJECTS, 'COPY_TO', env)).toThrow(/^Set COPY_KEY_ID and COPY_KEY_SECRET/);
  });

  const END = '?endpoint=https://objects.example';
  it.each([
    ...['', '  ', 'a\nb', 'http://elsewhere', 'ftp://x/y', 'sftp://store.local/yard'],
    ...['s3://', `s3://${END}`, `S3:///x${END}`, 's3://yard/x', 's3://yard?endpoint=objects.example'],
    ...['s3://yard?endpoint=ftp://objects.example', `s3://Y_ARD/x${END}`, `s3://yard/x${END}&secret=1`],
  ])('is not %j', (text) => {
    expect(() => copyPlace(text, 'COPY_TO', KEY)).toThrow(StartError);
    expect(() => copyPlace(text, 'COPY_TO', KEY)).toThrow(
      /^COPY_TO takes a folder on another disk, or an object store/,
    );
  });
});

describe('what Litestream says of itself', () => {
  const SAID = [
    '# HELP litestream_sync_count Number of sync operations performed.',
    'litestream_replica_wal_index{db="/a b.sqlite",name="file"} 3',
    'litestream_replica_wal_offset{db="/a b.sqlite",name="file"} 1.961152e+06',
    'litestream_sync_count{db="/a b.sqlite"} 6',
  ].join('\n');

  it('is read: how often it looked, and how far it has written', () => {
    expect(progressIn(SAID)).toEqual({ rounds: 6, copied: { index: 3, offset: 1_961_152 } });
    expect(progressIn(SAID.replace(/.*replica.*\n/g, ''))).toEqual({ rounds: 6, copied: null });
    expect(progressIn('')).toBeNull();
  });

  it('comes from the program that LITESTREAM names, or from the package', () => {
    expect(litestreamProgram({})).toMatch(/litestream-linux-x64\/litestream$/);
    expect(litestreamProgram({ LITESTREAM: __filename })).toBe(__filename);
    expect(() => litestreamProgram({ LITESTREAM: '/nowhere/litestream' })).toThrow(
      'LITESTREAM takes the path of the program Litestream 0.3, and there is nothing at /nowhere/litestream.',
    );
  });

  it('is noted beside the database', () => {
    expect(notesBeside('/data/x.sqlite')).toBe('/data/.x.sqlite-litestream');
  });
});
