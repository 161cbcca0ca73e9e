import type { Device, DeviceChange, Devices, JoinCode, NewPassPhrase, Session } from '@/core/access/access-schema';
import { request } from '../shared/api';

export const fetchDevices = (): Promise<Devices> => request('GET', '/devices');
/** Names a device, or shuts it out. */
export const changeDevice = (id: string, change: DeviceChange): Promise<Device> =>
  request('PATCH', `/devices/${id}`, change);
/** A code that brings the next devices in. */
export const fetchJoinCode = (): Promise<JoinCode> => request('POST', '/join-codes');
export const setPassPhrase = (next: NewPassPhrase): Promise<Session> => request('PUT', '/pass-phrase', next);
