import { stream } from '../core/chance/stream';
import { ENGINE } from '../core/engine';
import { eyeQuestion } from '../core/school/by-eye';
import { firstQuestion } from '../core/school/what-first';
import type { SchoolAsked, SchoolTold } from './school';

const tell = (told: SchoolTold): void =>
  (self as unknown as { postMessage: (told: SchoolTold) => void }).postMessage(told);

/** Makes the questions of the School that take the diagnosis. */
self.onmessage = ({ data }: MessageEvent<SchoolAsked>) => {
  const random = stream(data.seed);
  if (data.kind === 'eye')
    tell({ kind: 'eye', question: eyeQuestion(ENGINE, data.item, data.level, data.mixed, random) });
  else tell({ kind: 'first', question: firstQuestion(ENGINE, data.level, random) });
};
