import type { Device, DeviceChange, Devices, JoinCode, NewPassPhrase, Session } from '@/core/access/access-schema';
import type { NewPerson, OwnPhrase, Person, PersonChange, Pick } from '@/core/access/people-schema';
import { request } from '../../client/api';

export const fetchDevices = (): Promise<Devices> => request('GET', '/devices');
/** Names a device, or shuts it out. */
export const changeDevice = (id: string, change: DeviceChange): Promise<Device> =>
  request('PATCH', `/devices/${id}`, change);
/** A code that brings the next devices in. */
export const fetchJoinCode = (): Promise<JoinCode> => request('POST', '/join-codes');
/** Adds somebody who works here. */
export const addPerson = (person: NewPerson): Promise<Person> => request('POST', '/people', person);
export const changePerson = (id: string, change: PersonChange): Promise<Person> =>
  request('PATCH', `/people/${id}`, change);
/** Says who works with this device from now on. */
export const pickPerson = (pick: Pick): Promise<Session> => request('PUT', '/session/person', pick);
export const setOwnPhrase = (id: string, phrase: OwnPhrase): Promise<Person> =>
  request('PATCH', `/people/${id}/pass-phrase`, phrase);
export const setPassPhrase = (next: NewPassPhrase): Promise<Session> => request('PUT', '/pass-phrase', next);
