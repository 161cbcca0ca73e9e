import { Link } from 'expo-router';
import { Pressable } from 'react-native';
import type { RigRecord } from '@/core/record/schema';
import type { Dial } from '@/core/setting/dial';
import { markText } from '@/core/setting/dial-marks';
import { dialEnds } from '@/core/setting/dial';
import { Words } from '@/ui/Words';

const gistOf = (called: string, dial: Dial | undefined): string[] => {
  if (dial === undefined) return [];
  const { low, high } = dialEnds(dial);
  return [`${called} ${markText(dial, low)} to ${markText(dial, high)}, ${dial.points.length} pairs`];
};

/** The way to the knobs of a rig, with how far they are taken down. */
export function KnobsLink({ rig }: { rig: RigRecord }) {
  const { dials = {} } = rig.setup.rig;
  const known = [...gistOf('wire', dials.wireSpeedMPerMin), ...gistOf('volts', dials.voltageV)];
  const none =
    rig.setup.display === 'dial' ? 'Not taken down yet: two pairs each make them speak.' : 'It shows real figures.';
  return (
    <Link href={{ pathname: '/rig/knobs/[rigId]', params: { rigId: rig.id } }} asChild>
      <Pressable role="link" className="min-h-14 justify-center gap-1 rounded-md bg-plate p-4">
        <Words strong>Its knobs</Words>
        <Words className="text-faint">{known.length === 0 ? none : `${known.join('; ')}.`}</Words>
      </Pressable>
    </Link>
  );
}
