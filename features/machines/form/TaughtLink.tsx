import { learnedWords } from '../../shared/machine-words';
import { useTeaching } from '../../../client/use-records';
import { RigLink } from './RigLink';

/** The way to what a rig has taught, with the gist of it. */
export function TaughtLink({ rigId }: { rigId: string }) {
  const { data } = useTeaching(rigId);
  const gist =
    data === undefined || data.steps.length === 0
      ? 'Nothing yet: judged beads will tell.'
      : (learnedWords(data.machine) ?? 'Its figures are as it shows them.');
  return (
    <RigLink
      href={{ pathname: '/rig/[part]/[rigId]', params: { part: 'taught', rigId } }}
      title="What it has taught"
      gist={gist}
    />
  );
}
