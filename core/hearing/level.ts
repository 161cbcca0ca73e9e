import { envelopeOf } from './envelope';
import { kindOf, marksOf } from './kind';
import { cutShare, type Recording } from './listen';
import { onsetsOf } from './onsets';
import { rhythmOf } from './rhythm';

/** How a recording goes, while it is made. */
export type Level = 'too-loud' | 'too-far' | 'no-arc' | 'arc';

/** A peak under this is far under what an arc gives a metre off: forty decibels under full. */
const FAR = 0.01;

/** The loudest of some samples, and what that is for a recording. @param heard of the last second or so */
export function levelOf({ samples, rate }: Recording): { peak: number; level: Level } {
  const peak = samples.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  if (cutShare(samples) > 0) return { peak, level: 'too-loud' };
  if (peak < FAR) return { peak, level: 'too-far' };
  const spans = [{ from: 0, to: samples.length / rate }];
  const envelope = envelopeOf(samples, rate);
  const onsets = onsetsOf(envelope, spans);
  const kind = kindOf(marksOf(envelope, onsets, spans), rhythmOf(onsets, spans), spans);
  return { peak, level: kind === 'arc' ? 'arc' : 'no-arc' };
}
