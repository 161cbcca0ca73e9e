import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { databaseFile, readEnvironment, ROOT } from './environment';

describe('what the environment says', () => {
  it('is, with nothing set, this machine alone on its usual port with its own folder', () => {
    expect(readEnvironment({})).toEqual({
      port: 4173,
      host: '127.0.0.1',
      hostNames: [],
      databaseFile: join(ROOT, 'data', 'jolly-tinker.sqlite'),
      lan: null,
      copyTo: null,
    });
  });

  it('takes a port from 0 to 65535, and names it otherwise', () => {
    expect(readEnvironment({ PORT: '0' }).port).toBe(0);
    expect(readEnvironment({ PORT: '65535' }).port).toBe(65535);
    for (const PORT of ['', ' ', '-1', '65536', '80.5', 'eighty', '0x'])
      expect(() => readEnvironment({ PORT })).toThrow(`PORT takes a whole number from 0 to 65535, not "${PORT}".`);
  });

  it('takes further names with commas, and the host it listens on as one of them', () => {
    expect(readEnvironment({ HOST_NAMES: 'Yard , dock,, ' }).hostNames).toEqual(['yard', 'dock']);
    expect(readEnvironment({ HOST: 'Shed', HOST_NAMES: 'yard' }, ['--lan']).hostNames).toEqual(['shed', 'yard']);
    for (const HOST of ['0.0.0.0', '::'])
      expect(readEnvironment({ HOST, HOST_NAMES: 'yard' }, ['--lan']).hostNames).toEqual(['yard']);
  });

  it('listens beyond the machine only where that is asked for, and never in the clear', () => {
    for (const HOST of ['0.0.0.0', '::', '192.168.1.4', 'shed'])
      expect(() => readEnvironment({ HOST })).toThrow(/Start with --lan, which asks for a pass phrase/);
    for (const HOST of ['127.0.0.1', 'localhost', '::1']) expect(readEnvironment({ HOST }).host).toBe(HOST);
    // The door without encryption stays the machine's own.
    const { host, lan } = readEnvironment({ HOST: '192.168.1.4' }, ['--lan']);
    expect([host, lan?.host, lan?.port]).toEqual(['127.0.0.1', '192.168.1.4', 4174]);
    expect(readEnvironment({}, ['--lan']).lan).toEqual({
      ...{ port: 4174, host: null, tls: null, proxies: 0, passPhrase: null, another: false },
    });
    // A proxy in front does the encrypting, and asks at an address that is said.
    expect(readEnvironment({ PROXIES: '1', HOST: '10.0.0.2' }, ['--lan']).host).toBe('10.0.0.2');
  });

  it('names what is wrong with how the network comes in', () => {
    const lan = (env: Record<string, string>) => () => readEnvironment(env, ['--lan', '--new-pass-phrase']).lan;
    expect(lan({ LAN_PORT: 'x' })).toThrow('LAN_PORT takes a whole number from 0 to 65535, not "x".');
    expect(lan({ PROXIES: 'all' })).toThrow('PROXIES takes a number from 0 to 5, not "all".');
    expect(lan({ TLS_CERT: 'a.pem' })).toThrow('TLS_CERT and TLS_KEY are given together');
    expect(lan({ PASS_PHRASE_FILE: '/nowhere/phrase' })).toThrow(/^PASS_PHRASE_FILE takes the path of a file to read/);
    expect(lan({ PASS_PHRASE: 'three old welders', TLS_CERT: 'a', TLS_KEY: 'b' })()).toEqual(
      expect.objectContaining({ passPhrase: 'three old welders', another: true, tls: { cert: 'a', key: 'b' } }),
    );
    const file = join(mkdtempSync(join(tmpdir(), 'jolly-phrase-')), 'phrase');
    writeFileSync(file, ' two words here \n');
    expect(lan({ PASS_PHRASE_FILE: file, PASS_PHRASE: 'not this one' })()?.passPhrase).toBe(' two words here ');
  });

  it('takes a folder for the data', () => {
    expect(databaseFile({ DATA_DIR: '/srv/yard' })).toBe('/srv/yard/jolly-tinker.sqlite');
    for (const DATA_DIR of ['', '  ', 'a\u0000b', 'a\nb'])
      expect(() => databaseFile({ DATA_DIR })).toThrow(/^DATA_DIR takes the path of a folder\./);
  });
});
