import { stream } from '../core/chance/stream';
import { ENGINE } from '../core/answer/engine';
import { eyeQuestion } from '../core/school/by-eye';
import { blindBead, blindMachine, productBeads } from '../core/school/set-blind';
import { couponSheet, type CouponSheet } from '../core/school/coupons';
import { firstQuestion } from '../core/school/what-first';
import { answerCalls } from './call';
import type { SchoolAsked, SchoolReply } from './school';

function sheetOf({ input, dials }: Extract<SchoolAsked, { kind: 'coupons' }>): CouponSheet | null {
  try {
    return couponSheet(ENGINE, input, dials);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

function told(asked: SchoolAsked): SchoolReply {
  const random = stream(asked.seed);
  switch (asked.kind) {
    case 'eye':
      return { kind: 'eye', question: eyeQuestion(ENGINE, asked.item, asked.level, asked.mixed, random) };
    case 'first':
      return { kind: 'first', question: firstQuestion(ENGINE, asked.level, random) };
    case 'blind':
      return { kind: 'blind', blind: blindMachine(asked.level, random) };
    case 'bead':
      return { kind: 'bead', bead: blindBead(asked.blind, asked.knobs, asked.seed) };
    case 'coupons':
      return { kind: 'coupons', sheet: sheetOf(asked) };
    case 'count':
      return { kind: 'count', beads: productBeads(asked.blind, asked.seed) };
  }
}

/** Works out what the School asks that takes the diagnosis. */
answerCalls(told);
