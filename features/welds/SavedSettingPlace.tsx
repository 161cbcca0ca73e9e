import { lazy, memo, Suspense, useCallback, useDeferredValue, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import type { SavedSetting } from '@/core/record/shapes/saved-setting-schema';
import { MAIN_SETTINGS } from '@/core/setting/table';
import { figureWithUnit } from '@/core/setting/words';
import { BENCH_COUPON } from '@/client/stored/device-state';
import { useStoredPart } from '@/platform/stored';
import { BeadThumb } from '@/ui/bead/BeadThumb';
import { ListLink } from '@/ui/ListLink';
import { LongList } from '@/ui/LongList';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { TextField } from '@/ui/TextField';
import { TwoPane } from '@/ui/TwoPane';
import { useTitle } from '@/ui/use-keys';
import { useLeft } from '@/ui/use-left';
import { WIDE } from '@/ui/wide';
import { Heading, Words } from '@/ui/Words';
import { jobWords } from '../shared/job-words';
import { LogTabs } from '../shared/LogTabs';
import { fittedWords } from '../shared/rig-words';
import { dayWords } from '../shared/time-words';
import { useUnits } from '../shared/use-habits';
import { useOlder } from '../../client/use-older';
import { useCoupon } from '../../client/use-records';
import { useSavedSettingPages } from '../../client/use-welds';
import type { SavedSettingQuery } from '../../client/weld-api';
import { SavedSettingDetail } from './SavedSettingDetail';
import { proofWords } from '@/core/record/words/proof-words';

type Shown = 'all' | 'like' | 'rig' | 'away';

const NONE: readonly SavedSetting[] = [];
const idOf = ({ id }: SavedSetting): string => id;

/** The settings that were proved, and the one that is looked at. @param provenId null while none is */
export function SavedSettingPlace({ provenId }: { provenId: string | null }) {
  useTitle('Kept settings');
  const isWide = useWindowDimensions().width >= WIDE;
  const [shown, setShown] = useLeft<Shown>('which settings', 'all');
  const [text, setText] = useLeft('find settings', '');
  const said = useDeferredValue(text);
  const onBench = useCoupon(useStoredPart(BENCH_COUPON, (id) => id)).data;
  const asked = askedFor(shown, said, onBench);
  const { pages, settings } = useSavedSettingPages(asked);
  const first = settings?.[0]?.id ?? null;
  const open = provenId ?? (isWide ? first : null);
  const chosenId = isWide ? open : null;
  const draw = useCallback(
    (setting: SavedSetting) => <ProvenRow setting={setting} here={setting.id === chosenId} />,
    [chosenId],
  );
  const { hasNextPage } = pages;
  const older = useOlder(pages);
  const list =
    settings === undefined && pages.isError ? (
      <StateNote
        title="The kept settings cannot be read"
        text={pages.error.message}
        action={{ label: 'Try again', onPress: () => void pages.refetch() }}
      />
    ) : (
      <LongList
        name={`kept ${JSON.stringify(asked)}`}
        items={settings ?? NONE}
        keyOf={idOf}
        draw={draw}
        about={140}
        head={
          <View className="gap-3">
            <Heading level={1}>Kept settings</Heading>
            <LogTabs at="proven" />
            <Choice
              label="Which settings"
              options={[
                { value: 'all', label: 'All' },
                ...(onBench === undefined
                  ? []
                  : ([
                      { value: 'like', label: 'Like the job on the bench' },
                      { value: 'rig', label: onBench.rigName },
                    ] as const)),
                { value: 'away', label: 'Put away' },
              ]}
              chosen={shown}
              onChoose={setShown}
            />
            <TextField label="Find by job, rig, who or note" value={text} onChange={setText} maxLength={80} />
          </View>
        }
        none={
          settings === undefined ? (
            <Loading what="the kept settings" />
          ) : (
            <StateNote
              title={shown === 'all' && said === '' ? 'None kept yet' : 'None of these'}
              text="When a bead is judged sound, keep its setting: it is offered first on the next job like it."
              {...(shown === 'all' && said === ''
                ? {}
                : {
                    action: {
                      label: 'All',
                      onPress: () => {
                        setShown('all');
                        setText('');
                      },
                    },
                  })}
            />
          )
        }
        foot={
          <View className="gap-3 pt-3">
            {hasNextPage && <Button label="Older ones" onPress={older} />}
            {settings !== undefined && settings.length > 0 && <AsFile settings={settings} />}
          </View>
        }
        onNearEnd={older}
      />
    );
  if (!isWide && provenId === null) return list;
  const detail =
    open === null ? (
      <Words className="p-6 text-faint">Choose a setting to see it.</Words>
    ) : (
      <SavedSettingDetail key={open} provenId={open} named={provenId !== null} />
    );
  return <TwoPane list={list} detail={detail} chosen={provenId !== null} />;
}

/** Fetched when it is asked for: nobody needs the writing of files to find a setting. */
const ProvenFiles = lazy(() => import('./ProvenFiles'));

function AsFile({ settings }: { settings: readonly SavedSetting[] }) {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <Row>
        <Button label="As a file" onPress={() => setOpen(true)} />
      </Row>
    );
  return (
    <Suspense fallback={<Loading what="the file" />}>
      <ProvenFiles settings={settings} />
    </Suspense>
  );
}

function askedFor(shown: Shown, text: string, onBench: ReturnType<typeof useCoupon>['data']): SavedSettingQuery {
  const words = text.trim() === '' ? {} : { text: text.trim() };
  if (shown === 'away') return { ...words, putAway: true };
  if (onBench === undefined || shown === 'all') return words;
  if (shown === 'rig') return { ...words, rig: onBench.rigId };
  const { baseMetal, joint, position, thicknessMm, otherThicknessMm } = onBench.job.job;
  return {
    ...words,
    ...(baseMetal === undefined ? {} : { metal: baseMetal }),
    ...(joint === undefined ? {} : { joint }),
    ...(position === undefined ? {} : { position }),
    ...(thicknessMm === undefined ? {} : { thicknessMm: Math.min(thicknessMm, otherThicknessMm ?? thicknessMm) }),
  };
}

const ProvenRow = memo(function ProvenRow({ setting, here }: { setting: SavedSetting; here: boolean }) {
  const units = useUnits();
  const { id, title, bead, job, setup, rigName, provenAt, by, how, welds } = setting;
  const figures = MAIN_SETTINGS.slice(0, 2).flatMap((name) => {
    const value = bead.settings[name];
    return value === undefined ? [] : [figureWithUnit(name, value, units)];
  });
  return (
    <ListLink to={`/proven/${id}`} here={here} className="flex-col gap-1">
      <div className="flex items-start justify-between gap-2">
        <div className="min-w-0 flex-1">
          <div className="font-strong text-xl tabular-nums">{figures.join(' · ')}</div>
          <div className="text-sm">{jobWords(job, units)}</div>
        </div>
        <div className="w-20 flex-none overflow-hidden rounded-sm">
          <BeadThumb appearance={bead.appearance} width={80} />
        </div>
      </div>
      <div className="text-sm text-faint">{`${rigName} · ${fittedWords(setup.rig, units)}`}</div>
      <div className="break-words text-sm">{`${title} · ${proofWords(how)} by ${by}, ${dayWords(provenAt)}${welds === 0 ? '' : ` · ${welds} ${welds === 1 ? 'weld' : 'welds'}`}`}</div>
    </ListLink>
  );
});
