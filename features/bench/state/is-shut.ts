import type { SafetyGate } from '@/core/diagnosis/safety-gate';

/** Returns whether something stands between a job and its figures. */
export const isShut = ({ asks, stops }: SafetyGate): boolean => asks.length + stops.length > 0;
