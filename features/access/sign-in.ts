import type { QueryClient } from '@tanstack/react-query';
import type { NewSession, Session } from '@/core/access/access-schema';
import { forgetSeen } from '@/client/outbox/device-database';
import { DEVICE, deviceId } from '@/client/stored/device-state';
import { TRUE_SIZE } from '@/client/stored/true-size';
import { forgetStored } from '@/platform/stored';
import { request } from '../../client/api';
import { serverAnswered, serverAsksWho } from '../../client/server-state';
import { SESSION } from '../../client/use-session';

/** Comes in, and asks for everything anew. @throws RequestProblem where it is not let in */
export async function signIn(
  client: QueryClient,
  how: Pick<NewSession, 'name' | 'passPhrase' | 'code'>,
): Promise<Session> {
  const session = await request<Session>('POST', '/session', { device: deviceId(), ...how });
  client.setQueryData(SESSION, session);
  serverAnswered();
  void client.invalidateQueries();
  return session;
}

/**
 * Goes out, and forgets the records, the photographs and the drafts of this device. What waits for the server stays, and goes once
 * the device is in again.
 * @throws RequestProblem where the server cannot be told: then nothing is forgotten
 */
export async function goOut(client: QueryClient): Promise<void> {
  const session = await request<Session>('DELETE', '/session');
  serverAsksWho();
  await forgetSeen().catch(() => undefined);
  // What this device calls itself is no record: what waits on it is known by that.
  await forgetStored([DEVICE, TRUE_SIZE]);
  client.clear();
  client.setQueryData(SESSION, session);
}
