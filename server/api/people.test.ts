import type { Person } from '../../core/access/people-schema';
import type { Session } from '../../core/access/access-schema';
import type { Changed, HistoryEntry } from '../../core/record/change/change-schema';
import type { Coupon, RigRecord } from '../../core/record/shapes/record-schema';
import { changeDevice, hasShown } from '../access/sessions';
import { signIn, from, openGuarded, PHONE, problemOf } from '../testing/guarded';
import { beadOn, couponOn, freshId, openWorkshop, type Sent, type Workshop } from '../testing/workshop';

let lan: Workshop;
let own: Workshop;
beforeAll(async () => {
  // What was right is counted by the clock of the machine.
  lan = await openGuarded({ now: () => new Date() });
  own = await openWorkshop();
});
afterAll(async () => {
  await lan.stop();
  await own.stop();
});

/** A device that is in. @returns how it asks */
async function device(): Promise<(method: string, path: string, body?: unknown) => Promise<Sent>> {
  const { cookie } = await signIn(lan);
  return (method, path, body) => lan.send(method, path, body, from(PHONE, cookie));
}
let named = 0;
const someone = (name = `Welder ${(named += 1)}`) => ({ id: freshId(), name, initials: 'W', colour: named % 8 });
const change = (kind: string, of: string, fields: object, person?: string) => ({
  ...{ id: freshId(), kind, of, device: freshId(), madeAt: '2026-05-04T11:00:00.000Z', against: 0, fields },
  ...(person === undefined ? {} : { person }),
});

describe('a device that is shut out', () => {
  it('speaks for nobody any more, though it comes in anew', async () => {
    const { id, cookie } = await signIn(lan);
    const ada = someone();
    const ask = (method: string, path: string, body: unknown) => lan.send(method, path, body, from(PHONE, cookie));
    await ask('POST', '/people', ada);
    await ask('PUT', '/session/person', { person: ada.id });
    await ask('PATCH', `/people/${ada.id}/pass-phrase`, { passPhrase: 'her own word' });
    expect(hasShown(lan.store, id, ada.id)).toBe(true);
    await changeDevice(lan.store, id, { shutOut: true }, new Date());
    expect(hasShown(lan.store, id, ada.id)).toBe(false);
    const again = await signIn(lan, 'Phone', { id });
    const rig = change('change-rig', freshId(), { note: 'x' }, ada.id);
    expect(problemOf(await lan.send('POST', '/changes', rig, from(PHONE, again.cookie)))[0]).toBe(403);
  });
});

describe('people', () => {
  it('are added by whoever is in, once, under a name of their own', async () => {
    const ask = await device();
    const ada = someone('Ada of the Locks');
    const added = await ask('POST', '/people', ada);
    expect(added.json).toEqual({ ...ada, isKeeper: false, hasPassPhrase: false, putAway: false });
    expect((await ask('POST', '/people', ada)).json).toEqual(added.json);
    expect(problemOf(await ask('POST', '/people', someone(' ada of the LOCKS ')))).toEqual([409, 'conflict']);
    for (const wrong of [{ initials: 'ABCD' }, { colour: 8 }, { name: ' ' }, { isKeeper: true }])
      expect(problemOf(await ask('POST', '/people', { ...someone(), ...wrong }))).toEqual([400, 'wrong-fields']);
    expect(problemOf(await lan.send('GET', '/people'))).toEqual([401, 'not-in']);
  });

  it('are changed by a keeper alone: at the machine, or one who was made one and has a pass phrase', async () => {
    const ask = await device();
    const [boss, hand] = [someone(), someone()];
    for (const one of [boss, hand]) await ask('POST', '/people', one);
    const makeKeeper = (by: typeof ask, id: string) => by('PATCH', `/people/${id}`, { isKeeper: true });
    expect(problemOf(await makeKeeper(ask, boss.id))).toEqual([403, 'not-the-keeper']);
    // At the machine itself; and only who has a pass phrase, for anybody may pick a name and give it one.
    await own.send('POST', '/people', boss);
    expect(problemOf(await own.send('PATCH', `/people/${boss.id}`, { isKeeper: true }))).toEqual([409, 'conflict']);
    await own.send('PATCH', `/people/${boss.id}/pass-phrase`, { passPhrase: 'boss word' });
    const made = await own.send('PATCH', `/people/${boss.id}`, { isKeeper: true, name: 'The boss' });
    expect(made.json).toEqual(expect.objectContaining({ isKeeper: true, name: 'The boss' }));
    const bare = await own.send('PATCH', `/people/${boss.id}/pass-phrase`, { passPhrase: null });
    expect((bare.json as Person).isKeeper).toBe(false);
    await ask('PUT', '/session/person', { person: boss.id });
    expect(problemOf(await makeKeeper(ask, hand.id))).toEqual([403, 'not-the-keeper']);
    await ask('PATCH', `/people/${boss.id}/pass-phrase`, { passPhrase: 'boss word' });
    lan.connection.prepare('UPDATE people SET keeper = 1 WHERE id = ?').run(boss.id);
    expect(((await ask('GET', '/session')).json as Session).isKeeper).toBe(true);
    expect(problemOf(await makeKeeper(ask, hand.id))).toEqual([409, 'conflict']);
    expect((await ask('PATCH', `/people/${hand.id}`, { initials: 'HH' })).status).toBe(200);
    const other = await device();
    expect(problemOf(await other('PUT', '/session/person', { person: boss.id }))).toEqual([401, 'wrong-pass-phrase']);
    expect(problemOf(await other('PUT', '/session/person', { person: boss.id, passPhrase: 'hand word' }))).toEqual([
      401,
      'wrong-pass-phrase',
    ]);
    expect(((await other('GET', '/session')).json as Session).person).toBeNull();
    const picked = (await other('PUT', '/session/person', { person: boss.id, passPhrase: 'boss word' }))
      .json as Session;
    expect([picked.person, picked.isKeeper]).toEqual([boss.id, true]);
    // Put away, nobody is a keeper.
    await ask('PATCH', `/people/${boss.id}`, { putAway: true });
    expect(((await other('GET', '/session')).json as Session).isKeeper).toBe(false);
  });

  it('change their own pass phrase with the one before, and whoever held it speaks for them no more', async () => {
    const [ask, other] = [await device(), await device()];
    const ada = someone();
    await ask('POST', '/people', ada);
    await ask('PATCH', `/people/${ada.id}/pass-phrase`, { passPhrase: 'first' });
    const set = (passPhrase: string | null, before?: string) =>
      ask('PATCH', `/people/${ada.id}/pass-phrase`, { passPhrase, ...(before === undefined ? {} : { before }) });
    expect(problemOf(await set('second'))).toEqual([401, 'wrong-pass-phrase']);
    expect(problemOf(await set('second', 'wrong'))).toEqual([401, 'wrong-pass-phrase']);
    await other('PUT', '/session/person', { person: ada.id, passPhrase: 'first' });
    expect((await set('second', 'first')).status).toBe(200);
    expect(((await other('GET', '/session')).json as Session).person).toBeNull();
    expect(problemOf(await set('abc', 'second'))).toEqual([400, 'wrong-fields']);
    expect(((await set(null, 'second')).json as Person).hasPassPhrase).toBe(false);
  });
});

describe('whose it was', () => {
  let dock: RigRecord;
  let ask: Awaited<ReturnType<typeof device>>;
  const [ada, ben] = [someone('Ada'), someone('Ben')];
  beforeAll(async () => {
    ask = await device();
    [dock] = (await ask('GET', '/rigs')).json as RigRecord[];
    for (const one of [ada, ben]) await ask('POST', '/people', one);
  });

  it('stands with a bead, its judgement, every change, and in the log, by the name of that day', async () => {
    const coupon = couponOn(dock.id);
    const { id: couponId, ...fields } = coupon;
    await ask('POST', '/changes', change('begin-coupon', couponId, fields, ada.id));
    const { id, ...bead } = beadOn(coupon, dock.setup.id);
    const logged = (await ask('POST', '/changes', change('log-bead', id, bead, ada.id))).json as Changed;
    expect([logged.entry.by, logged.bead?.by, logged.bead?.outcomeBy]).toEqual(['Ada', 'Ada', null]);
    const judged = (await ask('POST', '/changes', change('change-bead', id, { outcome: 'sound' }, ben.id)))
      .json as Changed;
    expect([judged.bead?.by, judged.bead?.outcomeBy]).toEqual(['Ada', 'Ben']);
    // A note is no judgement, and a judgement that is taken back is nobody's.
    await ask('POST', '/changes', change('change-bead', id, { note: 'cold start' }, ada.id));
    lan.connection.prepare("UPDATE people SET name = 'Ada Lock' WHERE id = ?").run(ada.id);
    const kept = (await ask('GET', `/coupons/${couponId}`)).json as Coupon;
    expect(kept.beads.map(({ by, outcomeBy }) => [by, outcomeBy])).toEqual([['Ada', 'Ben']]);
    const history = (await ask('GET', `/coupons/${couponId}/history`)).json as HistoryEntry[];
    expect(history.map(({ by }) => by)).toEqual(['Ada', 'Ada', 'Ben', 'Ada']);
    const { entries } = (await ask('GET', '/log?by=Ada')).json as { entries: { of: string }[] };
    expect(entries.map(({ of }) => of)).toContain(id);
    const again = (await ask('POST', '/changes', change('change-bead', id, { outcome: null }, ben.id))).json as Changed;
    expect(again.bead?.outcomeBy).toBeNull();
  });

  it('is nobody where nobody said so, or where there is nobody of that id', async () => {
    for (const person of [undefined, freshId()]) {
      const coupon = couponOn(dock.id);
      const { id, ...fields } = coupon;
      const begun = (await ask('POST', '/changes', change('begin-coupon', id, fields, person))).json as Changed;
      expect(begun.entry.by).toBeNull();
    }
  });

  it('is taken in the name of one with a pass phrase only from a device that has shown it', async () => {
    const cleo = someone('Cleo');
    await ask('POST', '/people', cleo);
    const other = await device();
    await other('PATCH', `/people/${cleo.id}/pass-phrase`, { passPhrase: 'her own' });
    const coupon = couponOn(dock.id);
    const { id, ...fields } = coupon;
    const made = change('begin-coupon', id, fields, cleo.id);
    const refused = await ask('POST', '/changes', made);
    expect([...problemOf(refused), (refused.json as { detail: string }).detail]).toEqual([
      403,
      'not-this-person',
      expect.stringContaining('Cleo has a pass phrase'),
    ]);
    // Shown once, also what was made before is taken, and what waits while somebody else works with the device.
    await ask('PUT', '/session/person', { person: cleo.id, passPhrase: 'her own' });
    await ask('PUT', '/session/person', { person: ben.id });
    expect(((await ask('POST', '/changes', made)).json as Changed).entry.by).toBe('Cleo');
  });

  it('keeps the limits of acceptance to keepers', async () => {
    const [level] = (await ask('GET', '/levels')).json as { id: string; name: string }[];
    const renamed = change('change-level', level.id, { name: 'Mine' }, ada.id);
    expect(problemOf(await ask('POST', '/changes', renamed))).toEqual([403, 'not-the-keeper']);
    expect((await own.send('POST', '/changes', renamed)).status).toBe(200);
  });
});

describe('what follows somebody', () => {
  const habits = (changes: 'one' | 'all') => ({
    units: 'metric',
    changes,
    schools: { imbalance: 'by-heat', gasFlow: 'ample', stickOut: 'standard' },
  });
  const answered = (minute: number, said = 'right') => ({
    ...{
      at: `2026-05-04T09:${String(minute).padStart(2, '0')}:00.000Z`,
      drill: 'by-ear',
      item: 'right',
      said,
      level: 2,
    },
  });
  type Following = { habits: object | null; answers: { at: string; said: string }[] };

  it('comes to every device: the habits of the last, and the answers of all, each once and in order', async () => {
    const [phone, tablet] = [await device(), await device()];
    const one = someone();
    await phone('POST', '/people', one);
    const path = `/people/${one.id}/following`;
    expect((await phone('GET', path)).json).toEqual({ habits: null, answers: [] });
    await phone('PATCH', path, { habits: habits('one'), answers: [answered(3), answered(1)] });
    await tablet('PATCH', path, { habits: habits('all') });
    await tablet('PATCH', path, { answers: [answered(2), answered(1, 'volts-low')] });
    const { habits: kept, answers } = (await phone('GET', path)).json as Following;
    expect(kept).toEqual(habits('all'));
    expect(answers.map(({ at, said }) => [at.slice(14, 16), said])).toEqual([
      ['01', 'right'],
      ['02', 'right'],
      ['03', 'right'],
    ]);
    const other = someone();
    await phone('POST', '/people', other);
    expect(((await phone('GET', `/people/${other.id}/following`)).json as Following).answers).toEqual([]);
    for (const wrong of [
      {},
      { answers: [{ ...answered(1), level: 9 }] },
      { habits: { units: 'feet' } },
      { answers: Array.from({ length: 41 }, (_, i) => answered(i)) },
    ])
      expect(problemOf(await phone('PATCH', path, wrong))).toEqual([400, 'wrong-fields']);
    expect(problemOf(await phone('PATCH', `/people/${freshId()}/following`, { answers: [] }))).toEqual([
      404,
      'not-found',
    ]);
  });

  it('is nobody else’s to read or to add to, where they have a pass phrase', async () => {
    const [phone, other] = [await device(), await device()];
    const one = someone();
    await phone('POST', '/people', one);
    await phone('PUT', '/session/person', { person: one.id });
    await phone('PATCH', `/people/${one.id}/pass-phrase`, { passPhrase: 'her own' });
    const path = `/people/${one.id}/following`;
    expect((await phone('PATCH', path, { answers: [answered(1)] })).status).toBe(200);
    expect(problemOf(await other('GET', path))).toEqual([403, 'not-this-person']);
    expect(problemOf(await other('PATCH', path, { answers: [answered(2)] }))).toEqual([403, 'not-this-person']);
  });
});
