import { setTimeout as pause } from 'node:timers/promises';
import { connect } from '../db/engine/connection';
import { signIn, from, openGuarded, PHONE, PHRASE } from '../testing/guarded';
import { freshId, type Workshop } from '../testing/workshop';

let shop: Workshop;
beforeAll(async () => {
  shop = await openGuarded();
});
afterAll(() => shop.stop());

it('waits while another program holds the database: coming in, a code, a name, who works here, and going out', async () => {
  const phone = await signIn(shop);
  const person = { id: freshId(), name: 'Ada of the Locks', initials: 'AL', colour: 1 };
  const answered = { at: '2026-05-04T09:00:00.000Z', drill: 'by-ear', item: 'right', said: 'right', level: 2 };
  const inside = from(PHONE, phone.cookie);
  const asks: [string, string, object?][] = [
    ['POST', '/session', { device: freshId(), name: 'Other', passPhrase: PHRASE }],
    ['POST', '/join-codes', {}],
    ['POST', '/people', person],
    ['PATCH', `/people/${person.id}/following`, { answers: [answered] }],
    ['PATCH', `/people/${person.id}/pass-phrase`, { passPhrase: 'welded by Ada' }],
    ['PUT', '/session/person', { person: person.id, passPhrase: 'welded by Ada' }],
    ['DELETE', '/session'],
  ];
  const other = connect(shop.file);
  for (const [method, path, body] of asks) {
    other.exec('BEGIN IMMEDIATE');
    let isHeld = true;
    const answer = shop.send(method, path, body, inside).then(({ status }) => [path, status, isHeld]);
    await pause(150);
    isHeld = false;
    other.exec('COMMIT');
    expect(await answer).toEqual([path, 200, false]);
  }
  other.close();
  expect((await shop.send('GET', '/rigs', undefined, inside)).status).toBe(401);
});
