import type { SafetyGate } from '@/core/diagnosis/safety-gate';

/** Whether something stands between a job and its figures. */
export const isShut = ({ asks, stops }: SafetyGate): boolean => asks.length + stops.length > 0;
