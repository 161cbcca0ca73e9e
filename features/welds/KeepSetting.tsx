import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { dialsOf } from '@/core/record/draft/case-of';
import { PROOFS, type Proof } from '@/core/record/shapes/saved-setting-schema';
import type { Bead, Coupon } from '@/core/record/shapes/record-schema';
import { MAIN_SETTINGS } from '@/core/setting/table';
import { WHO } from '@/client/stored/work-drafts';
import { platform } from '@/platform/ports';
import { useStored } from '@/platform/stored';
import { Button, Choice, Toggle } from '@/ui/Press';
import { Part } from '@/ui/Part';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { TextField } from '@/ui/TextField';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { FigureRow } from '../shared/FigureRow';
import { jobWords } from '../shared/job-words';
import { fittedWords } from '../shared/rig-words';
import { makeChange } from '../../client/send-changes';
import { useUnits } from '../shared/use-habits';
import { useLeadOn } from '../shared/use-lead-on';
import { useCoupon, useSubmit } from '../../client/use-records';
import { PROOF_WORDS } from '@/core/record/words/proof-words';

/** Keeps the setting that a coupon ended in: what it was, who judged it and how. */
export function KeepSetting({ couponId }: { couponId: string }) {
  useTitle('Keep the setting');
  const router = useRouter();
  const { data: coupon, error, refetch } = useCoupon(couponId);
  if (error !== null)
    return (
      <StateNote
        title="The coupon cannot be read"
        text={error.message}
        action={{ label: 'Try again', onPress: () => void refetch() }}
      />
    );
  if (coupon === undefined) return <Loading what="the coupon" />;
  const bead = coupon.beads.findLast(({ outcome }) => outcome === 'sound');
  if (bead === undefined)
    return (
      <StateNote
        title="No sound bead yet"
        text="A setting is kept once a bead on this coupon was judged sound."
        action={{ label: 'To the bench', onPress: () => router.replace('/') }}
      />
    );
  return <KeepForm key={bead.id} coupon={coupon} bead={bead} />;
}

/** Where failing can hurt someone, looking is not enough. */
const isCareful = ({ job }: Coupon): boolean =>
  job.job.critical === 'careful' || (job.job.concerns ?? []).includes('code-work');

function KeepForm({ coupon, bead }: { coupon: Coupon; bead: Bead }) {
  const router = useRouter();
  const leadOn = useLeadOn();
  const units = useUnits();
  const [who, setWho] = useStored(WHO);
  const [how, setHow] = useState<readonly Proof[]>(['looked']);
  const [run, setRun] = useState<'straight' | 'weave'>(bead.schools.run ?? 'straight');
  const [note, setNote] = useState('');
  const [tried, setTried] = useState(false);
  const [id] = useState(() => platform().newId());
  const { put, busy, problem } = useSubmit();
  const setup = coupon.setups.find((one) => one.id === bead.setupId) ?? coupon.rig.setup;
  const job = coupon.jobs.find((one) => one.id === bead.jobId) ?? coupon.job;
  const figures = MAIN_SETTINGS.flatMap((name) => {
    const value = bead.settings[name];
    return value === undefined ? [] : [[name, value] as const];
  });
  const noName = who.trim() === '' ? 'Your name or initials: whoever reads it later asks who judged it.' : null;
  const noProof = how.length === 0 ? 'At least one way it was judged.' : null;
  const save = async (): Promise<void> => {
    setTried(true);
    if (noName !== null || noProof !== null) return;
    const provenAt = platform().now().toISOString();
    const fields = { couponId: coupon.id, beadId: bead.id, provenAt, by: who.trim(), how: [...how], run, note };
    if (await put([makeChange('prove', id, fields, 0, id)]))
      leadOn({ pathname: '/proven/[provenId]', params: { provenId: id } });
  };
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-4 self-center p-4 pb-10">
      <View className="gap-1">
        <Heading level={1}>Keep this setting</Heading>
        <Words>{`${coupon.title}, bead ${bead.number} · ${coupon.rigName}`}</Words>
        <Words className="text-sm text-faint">{`${jobWords(job.job, units)} · ${fittedWords(setup.rig, units)}`}</Words>
      </View>
      <FigureRow label="Setting" dials={dialsOf(setup)} figures={figures} />
      <Part title="How it was judged">
        <View role="group" aria-label="How it was judged" className="gap-2">
          {PROOFS.map((one) => (
            <Row key={one} className="items-center gap-3">
              <Toggle
                className="w-40"
                label={PROOF_WORDS[one].label}
                on={how.includes(one)}
                onPress={() => setHow(how.includes(one) ? how.filter((other) => other !== one) : [...how, one])}
              />
              <Words className="min-w-0 flex-1 text-sm">{PROOF_WORDS[one].shows}</Words>
            </Row>
          ))}
        </View>
        {tried && noProof !== null && (
          <Words role="alert" strong>
            {noProof}
          </Words>
        )}
        {isCareful(coupon) && !how.some((one) => one !== 'looked') && (
          <Words strong className="border-l-4 border-ink pl-3">
            This job can hurt someone if it fails: bend, break or cut a coupon, or have it inspected. A sound-looking
            bead is no proof of fusion.
          </Words>
        )}
      </Part>
      <Part title="How the run was led">
        <Choice
          label="How the run was led"
          options={[
            { value: 'straight', label: 'Straight' },
            { value: 'weave', label: 'Weave' },
          ]}
          chosen={run}
          onChoose={setRun}
        />
      </Part>
      <TextField label="What the figures do not say" value={note} onChange={setNote} maxLength={1000} lines={2} />
      <TextField label="Judged by" value={who} onChange={setWho} maxLength={60} problem={tried ? noName : null} />
      {problem !== null && <Words role="alert" strong>{`Not saved. ${problem}`}</Words>}
      <Row className="gap-2">
        <Button label="Leave it" onPress={() => router.back()} />
        <Button tone="act" className="flex-1" label="Keep the setting" disabled={busy} onPress={() => void save()} />
      </Row>
    </ScrollView>
  );
}
