import type { RigRecord } from '@/core/record/shapes/record-schema';
import { dialEnds, type Dial } from '@/core/setting/dial';
import { markText } from '@/core/setting/dial-marks';
import { RigLink } from './RigLink';

const gistOf = (called: string, dial: Dial | undefined): string[] => {
  if (dial === undefined) return [];
  const { low, high } = dialEnds(dial);
  return [`${called} ${markText(dial, low)} to ${markText(dial, high)}, ${dial.points.length} pairs`];
};

/** The way to the knobs of a rig, with how far they are taken down. */
export function KnobsLink({ rig }: { rig: RigRecord }) {
  const { dials = {} } = rig.setup.rig;
  const known = [...gistOf('Wire', dials.wireSpeedMPerMin), ...gistOf('Volts', dials.voltageV)];
  const none =
    rig.setup.display === 'dial' ? 'Not taken down yet: two pairs each make them speak.' : 'It shows real figures.';
  return (
    <RigLink
      href={{ pathname: '/rig/[part]/[rigId]', params: { part: 'knobs', rigId: rig.id } }}
      title="Its knobs"
      gist={known.length === 0 ? none : `${known.join('. ')}.`}
    />
  );
}
