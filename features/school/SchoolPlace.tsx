import { Link } from 'expo-router';
import { useState, type ReactElement } from 'react';
import { Pressable, ScrollView, useWindowDimensions, View } from 'react-native';
import { confusionOf, mixedUp } from '@/core/school/confusion';
import { levelAfter, LEVELS } from '@/core/school/level';
import { ofDrill } from '@/core/school/practice-schema';
import { TwoPane } from '@/ui/TwoPane';
import { useTitle } from '@/ui/use-keys';
import { WIDE } from '@/ui/wide';
import { Heading, Words } from '@/ui/Words';
import ByEar from './ByEar';
import ByEye from './ByEye';
import Coupons from './Coupons';
import { itemName, itemsOf, PART_WORDS } from './drills';
import HoldGun from './HoldGun';
import OneKnob from './OneKnob';
import Pace from './Pace';
import Progress from './Progress';
import { isDrill, SCHOOL_PARTS, type SchoolPart } from './school-parts';
import SetBlind from './SetBlind';
import { usePractice } from './use-practice';
import WhatFirst from './WhatFirst';

/** All of the School comes as one file: what several files share would be fetched with the first load of the bench. */
const PLACES: Record<SchoolPart, () => ReactElement> = {
  'by-ear': ByEar,
  'by-eye': ByEye,
  'one-knob': OneKnob,
  'set-blind': SetBlind,
  'what-first': WhatFirst,
  pace: Pace,
  gun: HoldGun,
  coupons: Coupons,
  progress: Progress,
};

/** The School: drills of a minute or two for ear, eye and order. @param part what is done; null for the list alone */
export function SchoolPlace({ part }: { part: SchoolPart | null }) {
  useTitle(part === null ? 'School' : PART_WORDS[part].title);
  const isWide = useWindowDimensions().width >= WIDE;
  // On a wide screen what was learned stands open while nothing is chosen; where nothing was, the first drill.
  const hasAnswers = usePractice().answers.length > 0;
  const [first] = useState<SchoolPart>(hasAnswers ? 'progress' : 'by-ear');
  const shown = part ?? (isWide ? first : null);
  if (shown === null) return <PartList chosen={null} />;
  const Place = PLACES[shown];
  const detail = (
    <ScrollView className="flex-1" contentContainerClassName="pb-8">
      <View className="w-full max-w-[900px]">
        <Place key={shown} />
      </View>
    </ScrollView>
  );
  return <TwoPane list={<PartList chosen={isWide ? shown : null} />} detail={detail} chosen={part !== null} />;
}

function PartList({ chosen }: { chosen: SchoolPart | null }) {
  return (
    <ScrollView className="flex-1" contentContainerClassName="gap-3 p-4">
      <Heading level={1} className="text-2xl">
        School
      </Heading>
      <Words className="text-faint">
        A minute or two each. What you mix up is asked more often; it gets harder as you get better.
      </Words>
      {SCHOOL_PARTS.map((part) => (
        <PartLine key={part} part={part} here={part === chosen} />
      ))}
      <Words className="pt-2 text-sm text-faint">
        Arcs are simulated and beads drawn, each made anew. They train ear and eye for what a real arc says; they prove
        nothing of a weld.
      </Words>
    </ScrollView>
  );
}

function PartLine({ part, here }: { part: SchoolPart; here: boolean }) {
  const practice = usePractice();
  const { title, what } = PART_WORDS[part];
  const answers = isDrill(part) ? ofDrill(practice, part) : [];
  // How few beads it takes is nothing to be mixed up.
  const [worst] = !isDrill(part) || part === 'set-blind' ? [] : mixedUp(confusionOf(answers, itemsOf(part, practice)));
  return (
    <Link href={`/school/${part}`} asChild>
      <Pressable
        role="link"
        aria-label={title}
        aria-current={here ? 'page' : undefined}
        className={`min-h-14 gap-1 rounded-md border-2 bg-plate p-3 ${here ? 'border-ink' : 'border-edge'}`}
      >
        <Words strong className="text-lg">
          {title}
        </Words>
        <Words>{what}</Words>
        {answers.length > 0 && isDrill(part) && (
          <Words className="text-sm text-faint">
            {`Step ${levelAfter(answers)} of ${LEVELS.most}${worst === undefined ? '' : ` · mixed up: ${itemName(part, worst.one).toLowerCase()} and ${itemName(part, worst.other).toLowerCase()}`}`}
          </Words>
        )}
      </Pressable>
    </Link>
  );
}
