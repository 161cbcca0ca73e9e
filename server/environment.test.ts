import { join } from 'node:path';
import { databaseFile, readEnvironment, ROOT } from './environment';

describe('what the environment says', () => {
  it('is, with nothing set, this machine alone on its usual port with its own folder', () => {
    expect(readEnvironment({})).toEqual({
      port: 4173,
      host: '127.0.0.1',
      hostNames: ['127.0.0.1'],
      databaseFile: join(ROOT, 'data', 'jolly-tinker.sqlite'),
    });
  });

  it('takes a port from 0 to 65535, and names it otherwise', () => {
    expect(readEnvironment({ PORT: '0' }).port).toBe(0);
    expect(readEnvironment({ PORT: '65535' }).port).toBe(65535);
    for (const PORT of ['', ' ', '-1', '65536', '80.5', 'eighty', '0x'])
      expect(() => readEnvironment({ PORT })).toThrow(`PORT takes a whole number from 0 to 65535, not "${PORT}".`);
  });

  it('takes further names with commas, and the host it listens on as one of them', () => {
    expect(readEnvironment({ HOST: 'shed', HOST_NAMES: 'yard , dock,, ' }).hostNames).toEqual(['shed', 'yard', 'dock']);
    for (const HOST of ['0.0.0.0', '::'])
      expect(readEnvironment({ HOST, HOST_NAMES: 'yard' })).toEqual(
        expect.objectContaining({ host: HOST, hostNames: ['yard'] }),
      );
  });

  it('takes a folder for the data', () => {
    expect(databaseFile({ DATA_DIR: '/srv/yard' })).toBe('/srv/yard/jolly-tinker.sqlite');
    for (const DATA_DIR of ['', '  ', 'a\u0000b', 'a\nb'])
      expect(() => databaseFile({ DATA_DIR })).toThrow(/^DATA_DIR takes the path of a folder\./);
  });
});
