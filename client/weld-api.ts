import type { Level } from '@/core/inspection/level-schema';
import type { SavedSettingPage, SavedSetting } from '@/core/record/shapes/saved-setting-schema';
import type { Weld, WeldPage, WeldState } from '@/core/record/shapes/weld-schema';
import { request } from './api';

/** Which kept settings are shown: those like a job, or all. */
export type SavedSettingQuery = {
  text?: string;
  rig?: string;
  metal?: string;
  joint?: string;
  position?: string;
  thicknessMm?: number;
  putAway?: boolean;
};

export type WeldsAsked = { state?: WeldState; proven?: string; text?: string; putAway?: boolean };

function queryOf(asked: Record<string, string | number | boolean | undefined>, after: string | null): string {
  const all: Record<string, unknown> = { ...asked, after: after ?? undefined, limit: 30 };
  const stated = Object.entries(all).filter(([, value]) => value !== undefined && value !== '' && value !== false);
  return new URLSearchParams(stated.map(([name, value]): [string, string] => [name, String(value)])).toString();
}

export const fetchSavedSettingPage = (asked: SavedSettingQuery, after: string | null): Promise<SavedSettingPage> =>
  request('GET', `/proven?${queryOf(asked, after)}`);
export const fetchSavedSetting = (id: string): Promise<SavedSetting> => request('GET', `/proven/${id}`);
export const fetchWelds = (asked: WeldsAsked, after: string | null): Promise<WeldPage> =>
  request('GET', `/welds?${queryOf(asked, after)}`);
export const fetchWeld = (id: string): Promise<Weld> => request('GET', `/welds/${id}`);
export const fetchLevels = (): Promise<Level[]> => request('GET', '/levels');
